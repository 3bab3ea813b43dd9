package org.evensheen.app.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.evensheen.app.live.LiveApp;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Starts Debian's Chromium once for a process; it ends with it, when nobody holds the other end of its pipe any more. */
final class ChromiumExtension implements BeforeAllCallback {
    private static Running running;

    private record Running(Playwright playwright, Browser browser) {}

    @Override
    public void beforeAll(ExtensionContext context) {
        synchronized (ChromiumExtension.class) {
            if (running == null) {
                start();
            }
        }
    }

    private static void start() {
        PlaywrightAssertions.setDefaultAssertionTimeout(15_000);
        Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        running = new Running(
                playwright,
                playwright
                        .chromium()
                        .launch(new BrowserType.LaunchOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setArgs(List.of(
                                        "--no-sandbox",
                                        "--disable-gpu",
                                        "--disable-quic",
                                        "--no-first-run",
                                        "--disable-background-networking",
                                        "--disable-component-update",
                                        "--disable-sync",
                                        // Less for two cores to do.
                                        "--in-process-gpu",
                                        "--disable-software-rasterizer",
                                        "--disable-extensions",
                                        "--disable-component-extensions-with-background-pages"))));
    }

    /** A visit by one person: a page whose complaints and outside requests are collected. What answers 500 fails it, whatever it was for. */
    record Visit(BrowserContext context, Page page, List<String> complaints, List<String> broken)
            implements AutoCloseable {
        static Visit of(int width, int height, ColorScheme scheme) {
            return of(LiveApp.url(), width, height, scheme);
        }

        /** A visit through another address than the application's own. */
        static Visit of(String base, int width, int height, ColorScheme scheme) {
            BrowserContext context = running.browser()
                    .newContext(new Browser.NewContextOptions()
                            .setBaseURL(base)
                            .setViewportSize(width, height)
                            .setHasTouch(width < 600)
                            .setReducedMotion(ReducedMotion.REDUCE)
                            .setColorScheme(scheme));
            context.setDefaultTimeout(20_000);
            Page page = context.newPage();
            List<String> complaints = new ArrayList<>();
            List<String> broken = new ArrayList<>();
            page.onPageError(complaints::add);
            page.onConsoleMessage(message -> {
                if (message.type().equals("error")
                        && !message.text().contains("status of 4")
                        && !message.text().startsWith("htmx:")) {
                    complaints.add(message.text());
                }
            });
            page.onResponse(response -> {
                if (response.status() == 500) {
                    broken.add(response.request().method() + " " + response.url());
                }
            });
            page.onRequest(request -> {
                if (!request.url().startsWith(base) && !request.url().startsWith("data:")) {
                    complaints.add("asked another host: " + request.url());
                }
            });
            return new Visit(context, page, complaints, broken);
        }

        @Override
        public void close() {
            context.close();
            if (!broken.isEmpty()) {
                throw new AssertionError("answered 500: " + broken);
            }
        }
    }
}
