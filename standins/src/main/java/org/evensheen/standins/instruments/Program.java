package org.evensheen.standins.instruments;

import java.io.IOException;

/** The simulated instruments as a program of their own: {@code Program FIRST-PORT [SEED]}. Ends with its standard input. */
public final class Program {
    private Program() {}

    public static void main(String[] arguments) throws IOException {
        int first = Integer.parseInt(arguments[0]);
        long seed = arguments.length > 1 ? Long.parseLong(arguments[1]) : 1;
        try (SimulatedInstruments bench = SimulatedInstruments.start(first, seed)) {
            System.out.println("Instruments on ports " + first + " to " + (first + SimulatedInstruments.PORTS - 1));
            while (System.in.read() >= 0) {
                // Until whoever started it goes.
            }
        }
    }
}
