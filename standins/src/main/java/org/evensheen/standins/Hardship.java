package org.evensheen.standins;

import org.evensheen.core.study.Stage;

/**
 * What a bed goes through besides weeks: salt where it is low, washes, dirt that hides what is still there.
 *
 * @param salt by how much faster the lowest row wears than the highest, 0 for alike
 * @param daysPerWash days of wear that a wash adds
 * @param dirt share of an effect that dirt hides on the lowest row as it arrives; half of it on the highest
 */
public record Hardship(double salt, double daysPerWash, double dirt) {
    /** Weeks alone. */
    public static final Hardship NONE = new Hardship(0, 0, 0);

    /** Share of the dirt that is still there at a stage of a visit. */
    static double dirtAt(Stage stage) {
        return switch (stage) {
            case ARRIVAL -> 1;
            case RINSED -> 0.6;
            case FOAMED -> 0.3;
            case WASHED -> 0.04;
            default -> 0;
        };
    }

    /** Share of an effect that dirt hides; {@code low} is 0 on the highest row and 1 on the lowest. */
    double hidden(Stage stage, double low) {
        return dirt * (1 + low) / 2 * dirtAt(stage);
    }

    /** Days of wear in so many days with so many washes. */
    double days(double days, long washes, double low) {
        return (days + daysPerWash * washes) * (1 + salt * low);
    }
}
