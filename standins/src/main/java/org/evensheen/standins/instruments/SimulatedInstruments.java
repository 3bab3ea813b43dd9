package org.evensheen.standins.instruments;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.SocketException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import org.evensheen.core.weather.Air;

/**
 * A bench of instruments on loopback, a port each in this order from the first: force gauge, scale, gloss meter, thermo-hygrometer,
 * surface thermometer, pH meter; and a seventh port for the hand that holds them. Whoever reads an instrument can't tell it from a
 * real one. The hand is told in lines, each answered by {@code ok}:
 *
 * <pre>
 * pull 9.8        the sled is drawn, the plateau is 9.8 N
 * hang 4.903      a weight hangs on the gauge, N
 * load 23.4       something wet of 23.4 g is laid on the scale
 * gloss 87        the gloss meter stands on 87 GU
 * air 15.2 66     °C and %
 * surface 14      °C
 * ph 5.0
 * fault silent    or rubbish, unit, drift, flood, hangup, none: what is wrong with all of them from now on
 * </pre>
 */
public final class SimulatedInstruments implements AutoCloseable {
    /** How many ports it takes. */
    public static final int PORTS = 7;

    private static final int HAND = PORTS - 1;
    private static final String LINE_END = "\r\n";

    private final List<ServerSocket> doors = new ArrayList<>();
    private final AtomicLong taken = new AtomicLong();
    private final long seed;
    private volatile double pull;
    private volatile double hanging;
    private volatile double load;
    private volatile long laid = System.nanoTime();
    private volatile double gloss = 82;
    private volatile Air air = new Air(15, 60);
    private volatile double surface = 14;
    private volatile double ph = 7;
    private volatile String fault = "none";

    private SimulatedInstruments(long seed) {
        this.seed = seed;
    }

    /**
     * Opens all ports.
     *
     * @param first of the seven ports
     * @throws IOException if one of them is taken
     */
    public static SimulatedInstruments start(int first, long seed) throws IOException {
        SimulatedInstruments bench = new SimulatedInstruments(seed);
        try {
            for (int i = 0; i < PORTS; i++) {
                bench.doors.add(new ServerSocket(first + i, 8, InetAddress.getLoopbackAddress()));
            }
        } catch (IOException e) {
            bench.close();
            throw e;
        }
        for (int i = 0; i < PORTS; i++) {
            bench.open(i);
        }
        return bench;
    }

    /** Opens seven ports in a row, wherever they are free. */
    public static SimulatedInstruments startAnywhere(long seed) {
        Random random = new Random();
        while (true) {
            try {
                return start(20_000 + random.nextInt(30_000), seed);
            } catch (IOException e) {
                // Taken; elsewhere then.
            }
        }
    }

    public int firstPort() {
        return doors.get(0).getLocalPort();
    }

    private void open(int which) {
        ServerSocket door = doors.get(which);
        Thread listener = new Thread(
                () -> {
                    while (!door.isClosed()) {
                        try {
                            Socket visitor = door.accept();
                            Thread talk = new Thread(() -> attend(which, visitor), "instrument " + which);
                            talk.setDaemon(true);
                            talk.start();
                        } catch (IOException e) {
                            return;
                        }
                    }
                },
                "door " + which);
        listener.setDaemon(true);
        listener.start();
    }

    private void attend(int which, Socket visitor) {
        try (visitor) {
            if (which == HAND) {
                hand(visitor);
                return;
            }
            OutputStream out = visitor.getOutputStream();
            if (fault.equals("hangup")) {
                return;
            }
            if (fault.equals("flood")) {
                flood(out);
                return;
            }
            switch (which) {
                case 0 -> force(out);
                case 1 -> scale(out);
                case 2 -> glossMeter(visitor, out);
                case 3 ->
                    stream(
                            out,
                            4,
                            () -> String.format(
                                    Locale.ROOT, "T %.1f %s H %.0f %%", air.celsius(), degrees(), air.humidity()));
                case 4 ->
                    stream(out, 6, () -> String.format(Locale.ROOT, "S %.1f %s", surface + noise(0.08), degrees()));
                default ->
                    stream(
                            out,
                            6,
                            () -> String.format(
                                    Locale.ROOT, "P %.2f %s", ph + noise(0.005), fault.equals("unit") ? "mV" : "pH"));
            }
        } catch (SocketException e) {
            // The reader has hung up.
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private String degrees() {
        return fault.equals("unit") ? "F" : "C";
    }

    private double noise(double deviation) {
        return deviation * new Random(seed ^ taken.incrementAndGet() * 0x9E3779B97F4A7C15L).nextGaussian();
    }

    private interface Saying {
        String next();
    }

    private void say(OutputStream out, String line) throws IOException {
        switch (fault) {
            case "silent" -> {}
            case "rubbish" ->
                out.write(("#~" + Integer.toHexString(line.hashCode()) + LINE_END).getBytes(StandardCharsets.US_ASCII));
            default -> out.write((line + LINE_END).getBytes(StandardCharsets.US_ASCII));
        }
        out.flush();
    }

    private void stream(OutputStream out, int hertz, Saying saying) throws IOException, InterruptedException {
        while (true) {
            say(out, saying.next());
            Thread.sleep(1000 / hertz);
        }
    }

    private String newtons(double force) {
        double drift = fault.equals("drift") ? 0.62 : 0;
        return fault.equals("unit")
                ? String.format(Locale.ROOT, "F %+.3f lbf", (force + drift) / 4.4482216152605)
                : String.format(Locale.ROOT, "F %+.2f N", force + drift);
    }

    /** Streams: slack, then the pull if the hand draws one; a hanging weight stays. */
    private void force(OutputStream out) throws IOException, InterruptedException {
        double drawn = pull;
        pull = 0;
        if (drawn > 0) {
            for (double sample : SledPull.samples(drawn, seed + taken.incrementAndGet())) {
                say(out, newtons(sample));
                Thread.sleep(1000 / SledPull.HERTZ);
            }
        }
        stream(out, SledPull.HERTZ, () -> newtons(hanging + noise(0.02)));
    }

    /** The pan swings in, then what lies on it dries. */
    private void scale(OutputStream out) throws IOException, InterruptedException {
        double swing = 3 + 0.1 * load;
        while (true) {
            double t = (System.nanoTime() - laid) / 1e9;
            double dried = load > 0 ? 0.04 * t * Evaporation.gramsPerSquareMetreSecond(air, 1) : 0;
            double shown = load
                    - dried
                    + swing * Math.exp(-t / 0.35) * Math.cos(9 * t)
                    + noise(0.006)
                    + (fault.equals("drift") ? 0.15 * t : 0);
            boolean rests = Math.abs(swing * Math.exp(-t / 0.35)) < 0.02 && !fault.equals("drift");
            say(
                    out,
                    String.format(
                            Locale.ROOT, "M %.2f %s%s", shown, fault.equals("unit") ? "ct" : "g", rests ? " ok" : ""));
            Thread.sleep(120);
        }
    }

    /** Speaks when asked; where on the section it stands makes a difference. */
    private void glossMeter(Socket visitor, OutputStream out) throws IOException {
        BufferedReader in =
                new BufferedReader(new InputStreamReader(visitor.getInputStream(), StandardCharsets.US_ASCII));
        while (in.readLine() != null) {
            say(out, String.format(Locale.ROOT, "GL %.1f %s", gloss + noise(0.6), fault.equals("unit") ? "%" : "GU"));
        }
    }

    /** A line without an end. */
    private static void flood(OutputStream out) throws IOException {
        byte[] much = "9".repeat(64 * 1024).getBytes(StandardCharsets.US_ASCII);
        for (int i = 0; i < 160; i++) {
            out.write(much);
        }
        out.flush();
    }

    private void hand(Socket visitor) throws IOException {
        BufferedReader in =
                new BufferedReader(new InputStreamReader(visitor.getInputStream(), StandardCharsets.US_ASCII));
        OutputStream out = visitor.getOutputStream();
        String line;
        while ((line = in.readLine()) != null) {
            out.write((done(line) + LINE_END).getBytes(StandardCharsets.US_ASCII));
            out.flush();
        }
    }

    /** What the hand does now; anything else is told. */
    private String done(String line) {
        String[] words = line.strip().toLowerCase(Locale.ROOT).split("\\s+");
        try {
            switch (words[0]) {
                case "pull" -> {
                    hanging = 0;
                    pull = Double.parseDouble(words[1]);
                }
                case "hang" -> {
                    pull = 0;
                    hanging = Double.parseDouble(words[1]);
                }
                case "load" -> {
                    load = Double.parseDouble(words[1]);
                    laid = System.nanoTime();
                }
                case "gloss" -> gloss = Double.parseDouble(words[1]);
                case "air" -> air = new Air(Double.parseDouble(words[1]), Double.parseDouble(words[2]));
                case "surface" -> surface = Double.parseDouble(words[1]);
                case "ph" -> ph = Double.parseDouble(words[1]);
                case "fault" -> fault = words[1];
                default -> {
                    return "no: " + words[0];
                }
            }
            return "ok";
        } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            return "no: " + line;
        }
    }

    @Override
    public void close() {
        for (ServerSocket door : doors) {
            try {
                door.close();
            } catch (IOException e) {
                // It is closed either way.
            }
        }
    }
}
