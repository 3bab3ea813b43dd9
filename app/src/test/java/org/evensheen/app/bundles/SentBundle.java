package org.evensheen.app.bundles;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.Web;

/** A study bundle as it goes over the wire, taken apart and put together again. */
final class SentBundle {
    private SentBundle() {}

    static byte[] export(long study) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(LiveApp.url() + "/studies/" + study + "/bundle.zip"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    static Map<String, byte[]> unzip(byte[] bundle) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bundle))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(entry.getName(), zip.readAllBytes());
            }
        }
        return files;
    }

    static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (var file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
            }
        }
        return bytes.toByteArray();
    }

    static byte[] changed(byte[] bundle, String file, UnaryOperator<String> change) throws IOException {
        Map<String, byte[]> files = unzip(bundle);
        files.put(
                file,
                change.apply(new String(files.get(file), StandardCharsets.UTF_8))
                        .getBytes(StandardCharsets.UTF_8));
        return zip(files);
    }

    static HttpResponse<String> bringIn(byte[] bundle, UUID key) {
        return Web.upload("/studies/import?key=" + key, bundle);
    }
}
