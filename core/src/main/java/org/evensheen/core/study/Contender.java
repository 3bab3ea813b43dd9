package org.evensheen.core.study;

import org.evensheen.core.water.WaterKind;

/**
 * What is on a section: a product, the reference product, or nothing.
 *
 * @param number position in the study's list, from 0; the order that the arithmetic follows
 * @param name the product's name, or "Bare"
 * @param kind what water is meant to do on it; bare paint wets, and is drawn as repelling
 * @param source how the product was come by
 */
public record Contender(int number, String name, Role role, WaterKind kind, Source source) {

    public boolean isBare() {
        return role == Role.BARE;
    }

    /** What part a contender plays. */
    public enum Role {
        PRODUCT,
        REFERENCE,
        BARE
    }

    /** How a product was come by; it sways the reviewer, so it is told. */
    public enum Source {
        BOUGHT,
        GIFTED,
        LENT,
        SPONSORED,
        UNDISCLOSED
    }
}
