package org.evensheen.standins.instruments;

import java.util.Random;
import java.util.stream.DoubleStream;
import org.evensheen.core.slickness.PullTrace;

/**
 * A weighted sled pulled by a spring at steady speed over a panel, as a force gauge in the string sees it.
 *
 * <p>A block on dry friction: it sticks until the spring reaches the static friction, then slides against the kinetic one and a little
 * damping, {@code m·x″ = k·(v·t − x) − F_k − c·x′}. Before and after, the string is slack. Gauge noise is normal.
 */
final class SledPull {
    /** Samples a second. */
    static final int HERTZ = 50;

    private static final double MASS = 2.5;
    private static final double STIFFNESS = 420;
    private static final double DAMPING = 5;
    private static final double SPEED = 0.008;
    private static final double STATIC_OVER_KINETIC = 1.07;
    private static final double NOISE = 0.035;
    private static final int STEPS = 20;
    private static final double SLACK = 0.35;
    private static final double PULLED = 2.6;

    private SledPull() {}

    /**
     * Samples of a pull.
     *
     * @param newtons mean of the plateau, N, above 0
     */
    static double[] samples(double newtons, long seed) {
        Random random = new Random(seed);
        int before = (int) (SLACK * HERTZ) + random.nextInt(8);
        int pulled = (int) (PULLED * HERTZ) + random.nextInt(25);
        double[] sliding = slide(newtons, pulled);
        double[] samples = new double[before + pulled + HERTZ];
        for (int i = 0; i < samples.length; i++) {
            boolean loaded = i >= before && i < before + pulled;
            samples[i] = (loaded ? sliding[i - before] : 0) + NOISE * random.nextGaussian();
        }
        return samples;
    }

    /** Spring forces, scaled so that their plateau is what was asked for. */
    private static double[] slide(double newtons, int samples) {
        double kinetic = newtons;
        double dt = 1.0 / HERTZ / STEPS;
        double x = 0;
        double u = 0;
        double drawn = newtons * 0.3 / STIFFNESS;
        boolean stuck = true;
        // The hand takes up the string quickly, and draws slowly once the sled moves.
        boolean slackened = true;
        double[] forces = new double[samples];
        for (int i = 0; i < samples; i++) {
            for (int s = 0; s < STEPS; s++) {
                drawn += SPEED * dt * (slackened ? 12 : 1);
                double spring = STIFFNESS * (drawn - x);
                if (stuck && spring < kinetic * STATIC_OVER_KINETIC) {
                    continue;
                }
                stuck = false;
                slackened = false;
                u += dt * (spring - kinetic - DAMPING * u) / MASS;
                if (u <= 0) {
                    u = 0;
                    stuck = true;
                }
                x += u * dt;
            }
            forces[i] = STIFFNESS * (drawn - x);
        }
        double scale = newtons / plateau(forces);
        for (int i = 0; i < samples; i++) {
            forces[i] *= scale;
        }
        return forces;
    }

    private static double plateau(double[] forces) {
        try {
            return PullTrace.of(DoubleStream.of(forces).boxed().toList()).plateau();
        } catch (PullTrace.NoPull e) {
            throw new IllegalStateException("a simulated pull is a pull", e);
        }
    }
}
