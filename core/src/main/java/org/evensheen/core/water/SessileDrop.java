package org.evensheen.core.water;

import java.util.Locale;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;

/**
 * Contact angle of a resting water drop with gravity taken into account.
 *
 * <p>A cap of a circle reads low once gravity flattens the drop, so the axisymmetric Young–Laplace profile through the measured base
 * and height is used for every drop; for small ones the two agree. With {@code φ} the slope of
 * the profile, {@code b} the radius of curvature at the apex and {@code κ = 2/b + ρgz/γ − sin φ/x} its meridional
 * curvature, {@code dx/dφ = cos φ/κ} and {@code dz/dφ = sin φ/κ} are integrated from the apex; {@code b} and the end
 * slope {@code θ} are found so that the profile ends at {@code x = w/2, z = h}.
 *
 * <p>Source: Bashforth &amp; Adams 1883; Rotenberg, Boruvka &amp; Neumann 1983. Water at 20 °C: ρ 998.2 kg/m³, γ 72.8
 * mN/m. Soap or residue lowers γ and makes the correction doubtful.
 */
public final class SessileDrop {
    /** Bond number above which gravity flattens a drop so much that a cap of a circle would mislead. */
    static final double BOND_LIMIT = 0.1;

    /** ρg/γ of water at 20 °C, 1/mm². */
    static final double CAPILLARY = 998.2 * 9.80665 / 72.8e-3 * 1e-6;

    private static final double START = 1e-4;
    private static final int ROUNDS = 60;
    private static final double STEEPEST = Math.toRadians(179.5);

    private SessileDrop() {}

    /** Bond number {@code ρg·(w/2)²/γ}: how strongly gravity flattens a drop of this width (mm). */
    static double bond(double widthMm) {
        return CAPILLARY * widthMm * widthMm / 4;
    }

    /** Whether gravity flattens a drop on a base of this width (mm) so much that clean water matters. */
    public static boolean flattened(double widthMm) {
        return bond(widthMm) > BOND_LIMIT;
    }

    /**
     * Contact angle of a water drop.
     *
     * @param heightMm height of the drop, mm, above 0
     * @param widthMm width of its base, mm, above 0
     * @return degrees, between 0 and 180
     * @throws IllegalArgumentException if no resting drop of water can be that tall on that base
     */
    public static double contactAngle(double heightMm, double widthMm) {
        double cap = SphericalCap.contactAngle(heightMm, widthMm);
        return Math.toDegrees(solve(heightMm, widthMm / 2, Math.toRadians(cap)));
    }

    /** Newton's method on (ln b, θ), halving a step until it lessens the miss. */
    private static double solve(double height, double radius, double capAngle) {
        double theta = Math.min(capAngle, STEEPEST);
        double logApex = Math.log((radius * radius + height * height) / (2 * height));
        End end = profile(logApex, theta);
        double miss = end.miss(radius, height);
        for (int round = 0; round < ROUNDS; round++) {
            if (miss < 1e-8) {
                return theta;
            }
            double nudge = 1e-5;
            End nudged = profile(logApex + nudge, theta);
            double xb = (nudged.x - end.x) / nudge;
            double zb = (nudged.z - end.z) / nudge;
            double determinant = xb * end.zSlope - zb * end.xSlope;
            double dx = radius - end.x;
            double dz = height - end.z;
            double stepApex = limit((dx * end.zSlope - dz * end.xSlope) / determinant, 1.0);
            double stepTheta = limit((xb * dz - zb * dx) / determinant, 0.6);
            double share = 1;
            End next;
            double nextTheta;
            do {
                nextTheta = Math.max(0.5 * theta, Math.min(theta + share * stepTheta, 0.5 * (theta + Math.PI)));
                next = profile(logApex + share * stepApex, nextTheta);
                share /= 2;
            } while (next.miss(radius, height) >= miss && share > 1e-4);
            logApex += 2 * share * stepApex;
            theta = nextTheta;
            end = next;
            miss = end.miss(radius, height);
        }
        if (miss < 1e-5) {
            return theta;
        }
        throw new IllegalArgumentException(String.format(
                Locale.ROOT, "no resting drop of water is %.2f mm tall on a base of %.2f mm", height, 2 * radius));
    }

    private static double limit(double step, double most) {
        return Double.isNaN(step) ? most / 7 : Math.max(-most, Math.min(most, step));
    }

    /** Where the profile ends, and how its end moves with the end slope; mm and mm/rad. */
    private record End(double x, double z, double xSlope, double zSlope) {
        double miss(double radius, double height) {
            return Math.hypot(x - radius, z - height);
        }
    }

    private static End profile(double logApex, double theta) {
        double apex = Math.exp(logApex);
        Profile equation = new Profile(apex);
        double[] start = {apex * Math.sin(START), apex * (1 - Math.cos(START))};
        DormandPrince853Integrator integrator = new DormandPrince853Integrator(1e-9, Math.PI, 1e-10, 1e-10);
        integrator.setInitialStepSize(Math.max(0.05, theta / 8));
        double[] state = integrator
                .integrate(equation, new ODEState(START, start), theta)
                .getPrimaryState();
        double[] slope = equation.computeDerivatives(theta, state);
        return new End(state[0], state[1], slope[0], slope[1]);
    }

    private record Profile(double apex) implements OrdinaryDifferentialEquation {
        @Override
        public int getDimension() {
            return 2;
        }

        @Override
        public double[] computeDerivatives(double phi, double[] y) {
            double sine = Math.sin(phi);
            double curvature = 2 / apex + CAPILLARY * y[1] - sine / y[0];
            return new double[] {Math.cos(phi) / curvature, sine / curvature};
        }
    }
}
