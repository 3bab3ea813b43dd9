package org.evensheen.core.study;

import java.util.List;
import org.evensheen.core.water.WaterKind;

/**
 * What is on a section: a product, the reference product, or nothing.
 *
 * @param number position in the study's list, from 0; the order that the arithmetic follows
 * @param name the product's name, for a stack "wax over sealant", or "Bare"
 * @param kind what water is meant to do on it; bare paint wets, and is drawn as repelling
 * @param source how the product was come by
 */
public record Contender(int number, String name, Role role, WaterKind kind, Source source) {

    /** Stands between the products of a stack in its name, the outermost first. */
    public static final String OVER = " over ";

    /** The products it is made of, the outermost first; one unless it is a stack. */
    public List<String> layers() {
        return List.of(name.split(OVER));
    }

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
