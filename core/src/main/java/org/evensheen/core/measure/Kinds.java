package org.evensheen.core.measure;

import java.util.EnumSet;
import java.util.Set;
import org.evensheen.core.label.ProductKind;

/** Kinds of product that go through the same readings. */
final class Kinds {
    /** What stays on the panel. */
    static final Set<ProductKind> COATS = EnumSet.of(
            ProductKind.DETAILER,
            ProductKind.SPRAY_WAX,
            ProductKind.WAX,
            ProductKind.SEALANT,
            ProductKind.COATING,
            ProductKind.RINSE_ON);
    /** What foams. */
    static final Set<ProductKind> SOAPS = EnumSet.of(ProductKind.SOAP, ProductKind.FOAM);

    private Kinds() {}
}
