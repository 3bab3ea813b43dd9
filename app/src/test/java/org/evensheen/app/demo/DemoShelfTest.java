package org.evensheen.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.Web;
import org.evensheen.app.page.Sheet;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The demo's Shelf is full, its labels are whole, and what must be seen on it is there. */
@ExtendWith(LiveApp.class)
class DemoShelfTest {
    private static final List<Sheet.Row> PRODUCTS = DemoShelf.products();

    @Test
    void everyLabelIsReadWholeAndTellsUseSizeAndPrice() {
        assertThat(PRODUCTS).hasSizeGreaterThanOrEqualTo(16);
        for (Sheet.Row product : PRODUCTS) {
            LabelLine.Outcome read = LabelLine.read(product.at("label"));
            Label label = read.label();
            assertThat(read.problems()).as(product.at("name")).isEmpty();
            assertThat(label.uses()).as(product.at("name")).isNotEmpty();
            assertThat(label.offers())
                    .as(product.at("name"))
                    .isNotEmpty()
                    .allMatch(o -> o.price().isPresent());
            assertThat(label.claims().size()).as(product.at("name")).isGreaterThanOrEqualTo(7);
            assertThat(label.one(Claim.Keeps.class)).as(product.at("name")).isPresent();
        }
    }

    @Test
    void everyKindOfProductIsThereAndMoreThanTwoAreDangerous() {
        Set<ProductKind> kinds = PRODUCTS.stream()
                .map(p -> ProductKind.ofCode(p.at("kind")).orElseThrow())
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(ProductKind.class)));
        assertThat(EnumSet.complementOf(EnumSet.copyOf(kinds)))
                .as("media belong to the Rack")
                .containsExactly(ProductKind.MEDIA, ProductKind.OTHER);
        assertThat(PRODUCTS)
                .filteredOn(
                        p -> !LabelLine.read(p.at("label")).label().hazards().isEmpty())
                .hasSizeGreaterThan(2);
    }

    @Test
    void thereAreTwoBundlesARateAndOneProductThatIsNearlyEmpty() {
        var database = LiveApp.database();
        assertThat(database.sql("select name from bundle where name in ('Spring box', 'Wheel pair')")
                        .query(String.class)
                        .list())
                .hasSize(2);
        assertThat(database.sql("select count(*) from exchange_rate where base = 'USD'")
                        .query(Integer.class)
                        .single())
                .isPositive();
        List<String> low = database.sql("""
                        select p.name from product p join bottle b on b.product_id = p.id
                        join pour u on u.product_id = p.id and u.undone_at is null and u.kept_by = 'Demo'
                        where b.kept_by = 'Demo' group by p.id, p.name
                        having sum(distinct b.size_ml) - sum(u.product_ml) between 1 and sum(distinct b.size_ml) * 0.15""").query(String.class).list();
        assertThat(low).containsExactly("Kelter Rinse-On");
    }

    @Test
    void itsMixesFollowTheLabels() {
        for (DemoShelf.Mixed mixed : DemoShelf.mixes()) {
            Label label = PRODUCTS.stream()
                    .filter(p -> p.at("name").equals(mixed.product()))
                    .map(p -> LabelLine.read(p.at("label")).label())
                    .findFirst()
                    .orElseThrow();
            var shares = label.uses().stream()
                    .filter(u -> u.name().equals(mixed.job()))
                    .findFirst()
                    .orElseThrow()
                    .dose()
                    .shares(List.of())
                    .orElseThrow();
            double share = mixed.productMl() / (mixed.productMl() + mixed.waterMl());
            assertThat(share).as(mixed.product()).isBetween(shares.low() * 0.99, shares.high() * 1.01);
        }
    }

    /** 90, 120 and 100 mL of 2 L: 19.35 cars, and 24 promised. */
    @Test
    void whatABottleOfFoamReallyDoesStandsBesideItsPromise() {
        long foam = LiveApp.database()
                .sql("select id from product where name = 'Curlew Foam'")
                .query(Long.class)
                .single();
        assertThat(Web.get("/shelf/" + foam).body().replace('\u202f', ' '))
                .contains(
                        "3 mixes (foam) took 103 mL each: 19 cars from 2 L, where 24 are promised: 1.2× as much a car.");
    }
}
