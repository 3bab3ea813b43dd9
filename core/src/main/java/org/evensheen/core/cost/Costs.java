package org.evensheen.core.cost;

/**
 * What a job costs with one product in one size at one strength.
 *
 * @param perLitre of what goes onto the panel, mixed or neat
 * @param perPanel one panel
 * @param perCar all panels
 * @param perUse one fill of the vessel, mixed or neat
 * @param productPerCar mL of product
 * @param carsPerBottle how many cars one bottle does; below 1 if it does not do one
 */
public record Costs(
        Money perLitre, Money perPanel, Money perCar, Money perUse, double productPerCar, double carsPerBottle) {

    /**
     * What is taken for granted.
     *
     * @param share product as a share of what goes on, above 0 to 1
     * @param mlPerCar of what goes onto a whole car, mL, above 0
     * @param panels panels of a car, from 1
     * @param mlPerUse one fill of the vessel, mL, above 0
     */
    public record Assumed(double share, double mlPerCar, double panels, double mlPerUse) {
        public Assumed {
            if (!(share > 0 && share <= 1 && mlPerCar > 0 && panels >= 1 && mlPerUse > 0)) {
                throw new IllegalArgumentException("a job needs a share, an amount and a panel");
            }
        }
    }

    /**
     * Cost of mL of product × price / size; linear in the price.
     *
     * @param price of one bottle
     * @param sizeMl what the bottle holds, mL, above 0
     */
    public static Costs of(Assumed assumed, Money price, double sizeMl) {
        Money perMl = price.over(sizeMl);
        double productPerCar = assumed.share * assumed.mlPerCar;
        Money perCar = perMl.times(productPerCar);
        return new Costs(
                perMl.times(assumed.share * 1000),
                perCar.over(assumed.panels),
                perCar,
                perMl.times(assumed.share * assumed.mlPerUse),
                productPerCar,
                sizeMl / productPerCar);
    }

    /** The cost of protecting a car for a week: its whole application over the weeks it lasts, above 0. */
    public Money perProtectedWeek(double weeks) {
        return perCar.over(weeks);
    }
}
