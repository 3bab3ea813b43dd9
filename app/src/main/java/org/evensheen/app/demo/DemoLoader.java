package org.evensheen.app.demo;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.labels.StockStore;
import org.evensheen.app.page.Hands;
import org.evensheen.app.readings.ReadingBatchStore;
import org.evensheen.app.studies.ApplicationStore;
import org.evensheen.app.studies.HappeningStore;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.NewStudyStore;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.standins.SimulatedBed;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Loads the demo into a database that has no study yet. Every reading comes from a simulated bed with a stored seed. */
@Component
@ConditionalOnProperty("even-sheen.demo")
class DemoLoader implements ApplicationRunner {
    private static final String WHO = "Demo";
    /** Days within which what was put on came from a bottle that is still there. */
    private static final int LATELY = 365;

    private final DemoStore store;
    private final DemoShelfLoader shelf;
    private final DemoPlanLoader plans;
    private final DemoInstruments instruments;
    private final DemoPhotos photos;
    private final DemoAfternoons afternoons;
    private final NewStudyStore maker;
    private final HappeningStore happenings;
    private final ApplicationStore applications;
    private final ProductStore products;
    private final StockStore stock;
    private final StudyStore studies;
    private final ReadingBatchStore readings;
    private final TransactionTemplate transaction;
    private final Key names;
    private final Clock clock;

    DemoLoader(
            DemoStore store,
            DemoShelfLoader shelf,
            DemoPlanLoader plans,
            DemoInstruments instruments,
            DemoPhotos photos,
            DemoAfternoons afternoons,
            NewStudyStore maker,
            HappeningStore happenings,
            ApplicationStore applications,
            ProductStore products,
            StockStore stock,
            StudyStore studies,
            ReadingBatchStore readings,
            TransactionTemplate transaction,
            Key names,
            Clock clock) {
        this.store = store;
        this.shelf = shelf;
        this.plans = plans;
        this.instruments = instruments;
        this.photos = photos;
        this.afternoons = afternoons;
        this.maker = maker;
        this.happenings = happenings;
        this.applications = applications;
        this.products = products;
        this.stock = stock;
        this.studies = studies;
        this.readings = readings;
        this.transaction = transaction;
        this.names = names;
        this.clock = clock;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        alone(empty -> {
            // A demo from before there was a Shelf gets one too.
            shelf.loadIfEmpty(LocalDate.now(clock));
            instruments.load();
        });
        // Instruments take their time to come to rest, and the studies can be told meanwhile.
        CompletableFuture<Void> checks = CompletableFuture.runAsync(instruments::check);
        alone(empty -> {
            if (empty) {
                plans.load(LocalDate.now(clock));
                List<Runnable> photos = DemoWorld.studies(LocalDate.now(clock)).stream()
                        .map(this::load)
                        .toList();
                loadFoam(LocalDate.now(clock));
                load(DemoYears.study(LocalDate.now(clock)));
                afternoons.load(clock.instant());
                photos.forEach(Runnable::run);
            }
        });
        checks.join();
    }

    /** Does a part of the loading while no other copy of the application does; it is told whether there is no study yet. */
    private void alone(Consumer<Boolean> part) {
        transaction.executeWithoutResult(status -> {
            store.lockStudies();
            part.accept(store.hasNoStudy());
        });
    }

    /** Loads a study; what it gives keeps its photos, which take their time. */
    private Runnable load(DemoWorld.Told told) {
        long id = maker.make(told.draft());
        for (Happening happening : told.happenings()) {
            happenings.keep(id, happening, UUID.randomUUID(), WHO);
        }
        // The bottles on the Shelf are younger than a study of years.
        boolean poured = told.today() < LATELY;
        told.done().forEach(done -> apply(id, told.draft(), done, poured));
        StudyRecord record = names.forTheStandIns(studies.load(id)).record();
        Runnable pictures = photos.begin(id, told, record);
        readings.keep(id, kept(told, record));
        if (told.keyOpen()) {
            names.open(id, new Hands(WHO));
        }
        return pictures;
    }

    private void loadFoam(LocalDate today) {
        StudyDraft draft = DemoFoam.draft(today);
        long id = maker.make(draft);
        StudyRecord record = names.forTheStandIns(studies.load(id)).record();
        readings.keep(
                id,
                DemoFoam.read(record).stream()
                        .map(reading -> kept(draft.firstDay(), reading))
                        .toList());
        names.open(id, new Hands(WHO));
    }

    /** Notes how a product was put on, and takes what that needed from its bottle, if that stands there. */
    private void apply(long study, StudyDraft draft, DemoWorld.Done done, boolean poured) {
        Optional<Dose> dose = LabelLine.readDose(done.dose()).dose();
        applications.keep(new ApplicationStore.Draft(
                study,
                done.contender(),
                done.day(),
                done.job(),
                dose,
                done.waited() > 0 ? Optional.of((double) done.waited()) : Optional.empty(),
                done.coats() > 0 ? Optional.of(done.coats()) : Optional.empty(),
                UUID.randomUUID(),
                WHO));
        Product product =
                products.named(draft.contenders().get(done.contender()).name()).orElseThrow();
        long sections = draft.sections().stream()
                .filter(s -> s.contender() == done.contender())
                .count();
        dose.filter(d -> poured)
                .flatMap(d -> d.onPlace(product.calibrations()))
                .ifPresent(ml -> stock.keep(new StockStore.Draft(
                        product.id(),
                        "poured",
                        ml.middle() * sections * Math.max(1, done.coats()),
                        Optional.empty(),
                        done.job(),
                        Optional.empty(),
                        Optional.of(study),
                        draft.firstDay().plusDays(done.day()),
                        UUID.randomUUID(),
                        WHO)));
    }

    private List<KeptReading> kept(DemoWorld.Told told, StudyRecord record) {
        SimulatedBed bed = new SimulatedBed(
                record,
                told.paint(),
                told.coatings(),
                told.freshDay(),
                told.draft().seed(),
                told.hardship());
        return Stream.concat(planned(told, record, bed), asItArrived(told, record, bed))
                .toList();
    }

    /** Where dirt hides anything, water is looked at as a visit goes along, too. */
    private Stream<KeptReading> asItArrived(DemoWorld.Told told, StudyRecord record, SimulatedBed bed) {
        return record.plan().visits().stream()
                .filter(v -> told.hardship().dirt() > 0 && v.stage() == Stage.REWETTED && v.day() <= told.today())
                .flatMap(v -> Stream.of(Stage.ARRIVAL, Stage.RINSED, Stage.WASHED)
                        .flatMap(stage -> record.sections().stream()
                                .map(s -> bed.read(s, new Occasion(v.day(), stage), Measures.WATER_GRADE, 1)))
                        .map(r -> kept(told.draft().firstDay().plusDays(v.day()), r)));
    }

    private Stream<KeptReading> planned(DemoWorld.Told told, StudyRecord record, SimulatedBed bed) {
        return record.plan().visits().parallelStream()
                .filter(visit -> visit.day() <= told.today() && !told.skipped().contains(visit.day()))
                .flatMap(visit -> record.sections().stream()
                        .flatMap(section -> bed.read(section, visit).stream()
                                .filter(r -> visit.day() < told.today() || taken(told, record, section, r)))
                        .map(reading -> kept(told.draft().firstDay().plusDays(visit.day()), reading)));
    }

    /** Today the pulls have not come round to the last product sections. */
    private static boolean taken(DemoWorld.Told told, StudyRecord record, Section section, Reading reading) {
        List<Section> products = record.sections().stream()
                .filter(s -> !record.contenderOn(s).isControl())
                .toList();
        int fromEnd = products.size() - products.indexOf(section);
        Contender contender = record.contenderOn(section);
        if (told.unreadToday() == 0
                || !reading.measure().equals(Measures.PULL)
                || contender.isControl()
                || fromEnd > told.unreadToday() + 1) {
            return true;
        }
        return fromEnd == told.unreadToday() + 1
                && reading.repeat() < record.plan().repeatsOf(Measures.PULL);
    }

    private KeptReading kept(LocalDate day, Reading reading) {
        return new KeptReading(
                0,
                reading,
                day.atTime(LocalTime.NOON).atZone(clock.getZone()).toInstant(),
                WHO,
                Optional.empty(),
                Optional.empty());
    }
}
