package org.evensheen.core.study;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.water.WaterKind;

/**
 * What is compared: a product, also by a method of its own or in a stack; a routine, a medium, an upkeep, a state as it was found; or a
 * control on which nothing is tested.
 *
 * @param number position in the study's list, from 0; the order that the arithmetic follows
 * @param made the product, for a stack "wax over sealant"; empty where there is none
 * @param water what water is meant to do on it; empty for a control, and where nobody asks
 * @param source how it was come by
 * @param way how it is used or what it is, in words; empty for a product as its label has it
 */
public record Contender(
        int number, String made, Role role, Optional<WaterKind> water, Source source, Kind kind, String way) {

    /** Stands between the products of a stack, the outermost first. */
    public static final String OVER = " over ";

    /** Most characters of a way. */
    public static final int WAY = 120;

    public Contender {
        boolean control = role.control();
        if (control && !(made.isEmpty() && way.isEmpty() && water.isEmpty())) {
            throw new IllegalArgumentException("a control has no product, no way and no water kind");
        }
        if (!control && kind.hasProduct() == made.isEmpty()) {
            throw new IllegalArgumentException("a product is named where one is tested, and only there: " + kind);
        }
        if (!control && kind.hasWay() && way.isEmpty()) {
            throw new IllegalArgumentException("a " + kind.code() + " is told in words");
        }
        if (way.length() > WAY) {
            throw new IllegalArgumentException("a way is told in " + WAY + " characters at most");
        }
    }

    /** A product or a stack as their labels have it, or a control. */
    public Contender(int number, String name, Role role, WaterKind water, Source source) {
        this(
                number,
                role.control() ? "" : name,
                role,
                role.control() ? Optional.empty() : Optional.of(water),
                source,
                name.contains(OVER) ? Kind.STACK : Kind.PRODUCT,
                "");
    }

    public static Contender control(int number, Role role) {
        return new Contender(number, "", role, Optional.empty(), Source.UNDISCLOSED, Kind.PRODUCT, "");
    }

    /** The same at another position. */
    public Contender numbered(int other) {
        return new Contender(other, made, role, water, source, kind, way);
    }

    /** What it is called: "Osier Spray Seal", "Curlew Foam, into the jet", "Bare". */
    public String name() {
        if (role.control()) {
            return role.called();
        }
        return made.isEmpty() ? way : way.isEmpty() ? made : made + ", " + way;
    }

    /** The products it is made of, the outermost first; one unless it is a stack, none where no product is tested. */
    public List<String> layers() {
        return made.isEmpty() ? List.of() : List.of(made.split(OVER));
    }

    public boolean isBare() {
        return role == Role.BARE;
    }

    /** Whether nothing is tested on it. */
    public boolean isControl() {
        return role.control();
    }

    /** Whether water is meant to leave it in a sheet. */
    public boolean sheets() {
        return water.equals(Optional.of(WaterKind.SHEETS));
    }

    /** What part a contender plays. */
    public enum Role {
        PRODUCT(""),
        REFERENCE(""),
        /** Stripped and proven bare, and kept so. */
        BARE("Bare"),
        /** As it was found, treated like the others with water alone. */
        UNTREATED("Untreated");

        private final String called;

        Role(String called) {
            this.called = called;
        }

        public boolean control() {
            return !called.isEmpty();
        }

        /** What a control is called; empty for what is tested. */
        public String called() {
            return called;
        }

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What it is. */
    public enum Kind {
        PRODUCT("a product", true, false),
        STACK("layers of products", true, false),
        METHOD("a product used in a way of its own", true, true),
        REGIME("a product with its upkeep", true, true),
        ROUTINE("a routine or kit", false, true),
        MEDIUM("a mitt, sponge or towel", false, true),
        OLD_STATE("a state as it was found", false, true);

        private final String label;
        private final boolean product;
        private final boolean way;

        Kind(String label, boolean product, boolean way) {
            this.label = label;
            this.product = product;
            this.way = way;
        }

        public String label() {
            return label;
        }

        public boolean hasProduct() {
            return product;
        }

        /** Whether it is told in words of its own. */
        public boolean hasWay() {
            return way;
        }

        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        public static Optional<Kind> ofCode(String code) {
            return Stream.of(values()).filter(k -> k.code().equals(code)).findFirst();
        }
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
