package org.evensheen.app.live;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.stream.Collectors;

/** Speaks HTTP to the running application, as a program or a form would. */
public final class Web {
    private static final HttpClient CLIENT = HttpClient.newHttpClient();

    private Web() {}

    public static HttpResponse<String> get(String path, String... headers) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(LiveApp.url() + path));
        return send(headers.length == 0 ? request : request.headers(headers));
    }

    /** What is no text. */
    public static HttpResponse<byte[]> bytes(String path) {
        try {
            return CLIENT.send(
                    HttpRequest.newBuilder(URI.create(LiveApp.url() + path)).build(),
                    HttpResponse.BodyHandlers.ofByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Posts a form; a value of null leaves its field out. */
    public static HttpResponse<String> post(String path, Map<String, String> form, String... headers) {
        String body = form.entrySet().stream()
                .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(LiveApp.url() + path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body));
        return send(headers.length == 0 ? request : request.headers(headers));
    }

    /** Posts a form as a device does from its queue: it wants to be answered as a program. */
    public static HttpResponse<String> send(String path, Map<String, String> form) {
        return post(path, form, "Accept", "application/json");
    }

    /** Posts a file as a browser's form does, in the field "file". */
    public static HttpResponse<String> upload(String path, byte[] file) {
        return upload(path, "file", file);
    }

    /** Posts a file as a browser's form does. */
    public static HttpResponse<String> upload(String path, String field, byte[] file) {
        String edge = "edge-of-part";
        byte[] head = ("--" + edge + "\r\nContent-Disposition: form-data; name=\"" + field
                        + "\"; filename=\"r.csv\"\r\n" + "Content-Type: text/csv\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8);
        byte[] tail = ("\r\n--" + edge + "--\r\n").getBytes(StandardCharsets.UTF_8);
        byte[] body = new byte[head.length + file.length + tail.length];
        System.arraycopy(head, 0, body, 0, head.length);
        System.arraycopy(file, 0, body, head.length, file.length);
        System.arraycopy(tail, 0, body, head.length + file.length, tail.length);
        return send(HttpRequest.newBuilder(URI.create(LiveApp.url() + path))
                .header("Content-Type", "multipart/form-data; boundary=" + edge)
                .POST(HttpRequest.BodyPublishers.ofByteArray(body)));
    }

    private static HttpResponse<String> send(HttpRequest.Builder request) {
        try {
            return CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
