package org.evensheen.app.kit;

import com.fazecast.jSerialComm.SerialPort;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.ConnectException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import org.evensheen.core.instruments.LinePattern;

/** An open line to an instrument. Lines end in CR, LF or both; of a line without an end only the beginning is kept. */
final class Link implements AutoCloseable {
    private static final int CONNECTING = 2000;
    /** How long one look for bytes waits, ms. */
    private static final int LOOK = 100;

    private final InputStream in;
    private final OutputStream out;
    private final AutoCloseable below;
    private final byte[] read = new byte[4096];
    private int at;
    private int filled;
    private final StringBuilder line = new StringBuilder();

    /** Why an instrument can't be had; the message says what to do. */
    static final class Lost extends Exception {
        private static final long serialVersionUID = 1;

        Lost(String message) {
            super(message);
        }

        Lost(String message, Exception cause) {
            super(message, cause);
        }
    }

    private Link(InputStream in, OutputStream out, AutoCloseable below) {
        this.in = in;
        this.out = out;
        this.below = below;
    }

    /** Opens {@code tcp:host:port} or {@code serial:device@baud}. */
    static Link open(Instrument instrument) throws Lost {
        String address = instrument.address();
        try {
            return address.startsWith("tcp:")
                    ? tcp(instrument, address.substring(4))
                    : serial(instrument, address.substring(7));
        } catch (IOException e) {
            throw new Lost(
                    "%s can't be opened at %s. Look at its cable and address in the Kit, or type the reading."
                            .formatted(instrument.name(), address),
                    e);
        }
    }

    private static Link tcp(Instrument instrument, String place) throws IOException, Lost {
        int colon = place.lastIndexOf(':');
        Socket socket = new Socket();
        try {
            socket.connect(
                    new InetSocketAddress(
                            Reach.of(place.substring(0, colon)), Integer.parseInt(place.substring(colon + 1))),
                    CONNECTING);
            socket.setSoTimeout(LOOK);
            return new Link(socket.getInputStream(), socket.getOutputStream(), socket);
        } catch (ConnectException | SocketTimeoutException | UnknownHostException e) {
            socket.close();
            throw new Lost(
                    "%s does not answer at %s. Is it switched on and in reach? You can type the reading."
                            .formatted(instrument.name(), place),
                    e);
        }
    }

    private static Link serial(Instrument instrument, String place) throws Lost {
        String[] parts = place.split("@");
        SerialPort port;
        try {
            port = SerialPort.getCommPort(parts[0]);
        } catch (RuntimeException e) {
            throw new Lost(
                    "There is no serial port %s for %s. Plug it in, or type the reading."
                            .formatted(parts[0], instrument.name()),
                    e);
        }
        port.setBaudRate(Integer.parseInt(parts[1]));
        port.setComPortTimeouts(SerialPort.TIMEOUT_READ_SEMI_BLOCKING, LOOK, 0);
        if (!port.openPort()) {
            throw new Lost(
                    "The serial port %s can't be opened for %s. Is another program using it? You can type the reading."
                            .formatted(parts[0], instrument.name()));
        }
        return new Link(port.getInputStream(), port.getOutputStream(), port::closePort);
    }

    void send(String text) throws Lost {
        try {
            out.write((text + "\r\n").getBytes(StandardCharsets.US_ASCII));
            out.flush();
        } catch (IOException e) {
            throw new Lost("The line broke while the instrument was asked. Take again, or type the reading.", e);
        }
    }

    /**
     * The next line that is not empty, or empty if none ends in time.
     *
     * @throws Lost if the line is closed at the other end
     */
    Optional<String> next(Duration within) throws Lost {
        long until = System.nanoTime() + within.toNanos();
        while (System.nanoTime() < until) {
            if (at == filled && !fill()) {
                continue;
            }
            char c = (char) (read[at++] & 0xff);
            if (c == '\n' || c == '\r') {
                if (!line.isEmpty()) {
                    String whole = decoded();
                    line.setLength(0);
                    return Optional.of(whole);
                }
            } else if (line.length() <= LinePattern.LONGEST_LINE) {
                line.append(c);
            }
        }
        return Optional.empty();
    }

    private String decoded() {
        return new String(line.toString().getBytes(StandardCharsets.ISO_8859_1), StandardCharsets.UTF_8);
    }

    private boolean fill() throws Lost {
        try {
            int n = in.read(read);
            if (n < 0) {
                throw new Lost("The instrument closed the line. Is it still on? Take again, or type the reading.");
            }
            at = 0;
            filled = n;
            return n > 0;
        } catch (SocketTimeoutException | com.fazecast.jSerialComm.SerialPortTimeoutException e) {
            return false;
        } catch (IOException e) {
            throw new Lost("The line to the instrument broke. Take again, or type the reading.", e);
        }
    }

    @Override
    public void close() {
        try {
            below.close();
        } catch (Exception e) {
            // A line that is gone needs no closing.
        }
    }
}
