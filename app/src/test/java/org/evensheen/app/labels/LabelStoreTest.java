package org.evensheen.app.labels;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.evensheen.app.labels.LabelStore.Outcome;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Nothing is lost or doubled when many hands keep at once. */
@ExtendWith(LiveApp.class)
class LabelStoreTest {
    private static final int HANDS = 8;

    private static LabelStore.Draft draft(Optional<Long> product, String name, int over, String line, UUID key) {
        return new LabelStore.Draft(
                product,
                name,
                ProductKind.SOAP,
                over,
                line,
                LabelLine.read(line).label(),
                key,
                "Ana");
    }

    private static <T> List<T> atOnce(List<Callable<T>> tasks) throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(HANDS);
        try {
            List<T> results = new ArrayList<>();
            for (Future<T> done : pool.invokeAll(tasks)) {
                results.add(done.get());
            }
            return results;
        } finally {
            pool.shutdownNow();
        }
    }

    @Test
    void oneOfManyWhoCorrectALabelAtOnceIsKeptAndTheOthersAreTold() throws Exception {
        LabelStore keeper = LiveApp.bean(LabelStore.class);
        String name = SampleProduct.name("Sedge");
        long id = SampleProduct.make(name, "soap", "wash 1:100", 0);
        List<Callable<Outcome>> tasks = new ArrayList<>();
        for (int i = 0; i < HANDS; i++) {
            String line = "wash 1:" + (200 + i);
            tasks.add(() -> keeper.keep(draft(Optional.of(id), name, 1, line, UUID.randomUUID())));
        }
        List<Outcome> outcomes = atOnce(tasks);
        assertThat(outcomes).filteredOn(o -> o instanceof Outcome.Kept).hasSize(1);
        assertThat(outcomes).filteredOn(o -> o instanceof Outcome.Overtaken).hasSize(HANDS - 1);
        assertThat(LiveApp.bean(ProductStore.class).load(id).labelNumber()).isEqualTo(2);
    }

    @Test
    void aFormThatIsSentManyTimesAtOnceMakesOneProduct() throws Exception {
        LabelStore keeper = LiveApp.bean(LabelStore.class);
        String name = SampleProduct.name("Sedge");
        UUID key = UUID.randomUUID();
        List<Callable<Outcome>> tasks = new ArrayList<>();
        for (int i = 0; i < HANDS; i++) {
            tasks.add(() -> keeper.keep(draft(Optional.empty(), name, 0, "wash 1:100", key)));
        }
        atOnce(tasks);
        assertThat(LiveApp.database()
                        .sql("select count(*) from label l join product p on p.id = l.product_id where p.name = :name")
                        .param("name", name)
                        .query(Integer.class)
                        .single())
                .isEqualTo(1);
        assertThat(keeper.keep(draft(Optional.empty(), name, 0, "wash 1:100", key)))
                .isInstanceOf(Outcome.Kept.class);
        assertThat(keeper.keep(draft(
                        Optional.empty(), name.toUpperCase(java.util.Locale.ROOT), 0, "wash 1:9", UUID.randomUUID())))
                .isInstanceOf(Outcome.NameTaken.class);
    }

    @Test
    void ofManyWhoPutOneNameOnTheShelfAtOnceAllButOneAreToldThatItIsTaken() throws Exception {
        LabelStore keeper = LiveApp.bean(LabelStore.class);
        String name = SampleProduct.name("Sedge");
        List<Callable<Outcome>> tasks = new ArrayList<>();
        for (int i = 0; i < HANDS; i++) {
            tasks.add(() -> keeper.keep(draft(Optional.empty(), name, 0, "wash 1:100", UUID.randomUUID())));
        }
        List<Outcome> outcomes = atOnce(tasks);
        assertThat(outcomes).filteredOn(o -> o instanceof Outcome.Kept).hasSize(1);
        assertThat(outcomes).filteredOn(o -> o instanceof Outcome.NameTaken).hasSize(HANDS - 1);
    }

    @Test
    void aDoubleTapOnAPourTakesItOnce() throws Exception {
        StockStore stock = LiveApp.bean(StockStore.class);
        long id = SampleProduct.make(SampleProduct.name("Sedge"), "soap", "wash 1:100", 500);
        UUID key = UUID.randomUUID();
        List<Callable<Boolean>> taps = new ArrayList<>();
        for (int i = 0; i < HANDS; i++) {
            taps.add(() -> {
                stock.keep(new StockStore.Draft(
                        id,
                        "mixed",
                        40,
                        Optional.of(9960.0),
                        "wash",
                        Optional.empty(),
                        Optional.empty(),
                        LocalDate.now(),
                        key,
                        "Ana"));
                return true;
            });
        }
        atOnce(taps);
        assertThat(SampleProduct.left(id)).isCloseTo(460, within(1e-9));
    }

    @Test
    void productsAreFoundByNameByJobAndByPartOfAName() {
        ProductStore products = LiveApp.bean(ProductStore.class);
        String name = SampleProduct.name("Findable");
        String job = "scrub " + name.substring(9);
        long id = SampleProduct.make(name, "soap", job + " 1:50; 1:400", 0);
        assertThat(products.named(name.toUpperCase(java.util.Locale.ROOT))
                        .orElseThrow()
                        .id())
                .isEqualTo(id);
        assertThat(products.offering(job.toUpperCase(java.util.Locale.ROOT), 5))
                .extracting(Product::id)
                .containsExactly(id);
        assertThat(products.search(name.substring(3).toLowerCase(java.util.Locale.ROOT), 5))
                .extracting(ProductStore.Named::id)
                .containsExactly(id);
        assertThat(products.search("%", 5)).as("no wildcard").isEmpty();
        LiveApp.bean(StockStore.class)
                .keep(new StockStore.Draft(
                        id,
                        "mixed",
                        1,
                        Optional.of(49.0),
                        "",
                        Optional.empty(),
                        Optional.empty(),
                        LocalDate.now(),
                        UUID.randomUUID(),
                        "Ana"));
        assertThat(products.lastUsed(8))
                .hasSize(8)
                .first()
                .extracting(ProductStore.Named::id)
                .isEqualTo(id);
        Product product = products.load(id);
        assertThat(product.use(job).orElseThrow().dose().print()).isEqualTo("1:50");
        assertThat(product.jobOf(product.label().uses().get(1)))
                .as("a use without a name")
                .isEqualTo("soap");
        assertThat(products.offering("soap", 50)).extracting(Product::id).contains(id);
    }
}
