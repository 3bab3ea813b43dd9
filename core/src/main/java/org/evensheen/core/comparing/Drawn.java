package org.evensheen.core.comparing;

import java.util.List;
import java.util.Optional;

/**
 * What is true of each product on one measure, as far as it is known, more being better, on the scale that is compared; of grades, on the scale that lies behind them.
 *
 * @param products numbers of contenders
 * @param means in that order
 * @param bare mean on bare sections; empty without
 * @param covariance of the means
 * @param freedom behind the scatter
 * @param draws true means in that order, pulled together as far as the products of the study are alike
 */
public record Drawn(
        List<Integer> products,
        List<Estimate> means,
        Optional<Double> bare,
        double[][] covariance,
        double freedom,
        double[][] draws) {}
