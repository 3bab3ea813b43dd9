package org.evensheen.app.browser;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** A line between a browser and the application that can be cut and mended. */
final class Cable implements AutoCloseable {
    private final ServerSocket door;
    private final int behind;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile boolean cut;

    Cable(int behind) {
        this.behind = behind;
        try {
            door = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        thread(this::accept);
    }

    String url() {
        return "http://127.0.0.1:" + door.getLocalPort();
    }

    void cut() {
        cut = true;
        open.forEach(Cable::shut);
    }

    void mend() {
        cut = false;
    }

    private void accept() {
        while (!door.isClosed()) {
            try {
                Socket near = door.accept();
                if (cut) {
                    shut(near);
                    continue;
                }
                Socket far = new Socket(InetAddress.getLoopbackAddress(), behind);
                open.add(near);
                open.add(far);
                thread(() -> pass(near, far));
                thread(() -> pass(far, near));
            } catch (IOException e) {
                // The door was shut.
            }
        }
    }

    private void pass(Socket from, Socket to) {
        try {
            InputStream in = from.getInputStream();
            OutputStream out = to.getOutputStream();
            in.transferTo(out);
        } catch (IOException e) {
            // Cut.
        } finally {
            shut(from);
            shut(to);
            open.remove(from);
            open.remove(to);
        }
    }

    private static void thread(Runnable task) {
        Thread thread = new Thread(task, "cable");
        thread.setDaemon(true);
        thread.start();
    }

    private static void shut(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // It is shut either way.
        }
    }

    @Override
    public void close() throws IOException {
        cut();
        door.close();
    }
}
