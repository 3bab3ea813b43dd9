package org.evensheen.app.plans;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.PlaceInUse;
import org.evensheen.app.labels.Entrants;
import org.evensheen.app.labels.Product;
import org.evensheen.app.page.Figures;
import org.evensheen.app.plans.Design.Unit;
import org.evensheen.app.sidebyside.Laid;
import org.evensheen.core.footing.LabelDeparture;
import org.evensheen.core.footing.PlanReview;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.layout.Balance;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Effort;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.planning.Protocol;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.water.WaterKind;

/** Works out what a plan comes to from what was typed. */
final class PlanReader {
    private static final double CELL_WIDTH = 600;
    private static final double CELL_HEIGHT = 360;

    private final Fields fields;
    private final Known known;
    private final Map<String, Product> byName;
    private final Entrants shelf;

    /**
     * What a plan rests on besides what was typed.
     *
     * @param draw draws a layout, or gives it as it was drawn before
     * @param laid the afternoon that it grew out of
     * @param widen says how much wider blocks make a difference, with so many products
     */
    record Known(
            List<Bed> beds,
            List<PlaceInUse> inUse,
            List<Product> products,
            Optional<Forecast> forecast,
            Optional<Laid> laid,
            LocalDate today,
            Function<Layout.Ask, Layout> draw,
            BiFunction<List<Section>, Integer, OptionalDouble> widen) {}

    private PlanReader(Map<String, String> typed, Known known) {
        this.fields = new Fields(typed);
        this.known = known;
        shelf = new Entrants(known.products());
        byName = known.products().stream()
                .collect(Collectors.toMap(p -> p.name().toLowerCase(Locale.ROOT), p -> p, (a, b) -> a));
    }

    static Design read(Map<String, String> typed, Known known) {
        return new PlanReader(typed, known).read();
    }

    /** Names of products that a plan mentions. */
    static Set<String> names(Map<String, String> typed) {
        Set<String> names = new HashSet<>();
        for (int i = 0; i < Fields.MOST_PRODUCTS; i++) {
            names.addAll(List.of(typed.getOrDefault("name" + i, "").strip().split(Contender.OVER)));
        }
        for (int i = 0; i < Fields.MOST_CHEMICALS; i++) {
            names.add(typed.getOrDefault("chem" + i, "").strip());
        }
        names.remove("");
        return names;
    }

    private Design read() {
        String question = fields.text("question", 200);
        Unit asked = Unit.ofCode(fields.in("unit"));
        Unit unit = asked == Unit.LAID && known.laid().isEmpty() ? Unit.SECTION : asked;
        List<Entrant> entrants = entrants();
        int products = entrants.size() - 1;
        int wanted = fields.whole("each", "number of sections", "each", 1, 12, 2);
        // An area of a vehicle is a block: everything lies on each of them, bare too if it is there.
        int each = unit == Unit.AREA ? Math.min(wanted, Places.areas().size()) : unit == Unit.LAID ? 1 : wanted;
        int left = fields.whole("bare", "number of bare sections", "bare", 0, 12, Math.max(2, each));
        int bare = unit == Unit.LAID ? 0 : unit == Unit.AREA && left > 0 ? each : left;
        List<Integer> counts = new ArrayList<>(Collections.nCopies(products, each));
        counts.add(bare);
        Optional<Bed> bed = unit == Unit.SECTION
                ? known.beds().stream()
                        .filter(b -> String.valueOf(b.id()).equals(fields.in("bed")))
                        .findFirst()
                : unit == Unit.LAID ? known.laid().map(Laid::bed) : made(unit, counts);
        long seed = (long) fields.number("seed", "seed", "", 0, 1e15, 1);
        Optional<Layout> layout = products < 1
                ? Optional.empty()
                : bed.flatMap(b -> unit == Unit.LAID
                                ? AsItLies.of(known.laid().orElseThrow(), entrants, fields)
                                : layout(b, unit, counts, seed))
                        .map(l -> unit == Unit.AREA ? VehicleAreas.named(l) : l);
        Protocol protocol = new ProtocolReader(fields, byName, AsItLies.measures(known.laid())).read(entrants);
        LocalDate firstDay = fields.day("firstDay", known.today());
        Calendar calendar = unit == Unit.LAID
                ? Calendar.afterwards(protocol, entrants, moves())
                : Calendar.of(protocol, entrants, each, moves());
        List<Section> sections = layout.map(Layout::sections).orElse(List.of());
        Optional<Balance> balance =
                layout.map(l -> Balance.of(l, bed.map(b -> b.shape().zones()).orElse(List.of()), products));
        Optional<String> boardOnly = boardOnly(protocol, bed);
        List<PlanReview.Limit> limits = PlanReview.of(new PlanReview.Planned(
                entrants,
                sections,
                balance,
                protocol,
                calendar,
                meeting(sections, firstDay),
                doses(entrants),
                known.forecast().flatMap(f -> f.rain(firstDay, calendar, protocol.cureHours()))));
        return new Design(
                fields.problems(),
                question,
                unit,
                bed,
                entrants,
                counts,
                layout,
                balance,
                sections.isEmpty() ? OptionalDouble.empty() : known.widen().apply(sections, products),
                protocol,
                calendar,
                Effort.of(
                        protocol,
                        entrants,
                        counts,
                        calendar.plan(protocol).visits().size()),
                firstDay,
                seed,
                known.inUse(),
                known.products(),
                limits,
                boardOnly);
    }

    private List<Entrant> entrants() {
        List<Entrant> entrants = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < Fields.MOST_PRODUCTS; i++) {
            String name = fields.text("name" + i, 160);
            if (name.isEmpty()) {
                continue;
            }
            List<String> layers = List.of(name.split(Contender.OVER)).stream()
                    .map(String::strip)
                    .map(l -> Optional.ofNullable(byName.get(l.toLowerCase(Locale.ROOT)))
                            .map(Product::name)
                            .orElse(l))
                    .toList();
            if (layers.size() > 5 || layers.stream().anyMatch(l -> l.isEmpty() || l.length() > 80)) {
                fields.wrong("name" + i, "Write a stack as “wax over sealant”, at most five layers of 80 characters.");
            }
            Contender contender = contender(i, entrants.size(), String.join(Contender.OVER, layers));
            if (!seen.add(contender.name().toLowerCase(Locale.ROOT))) {
                fields.wrong(
                        "name" + i,
                        "“%s” is listed twice. If it is used another way, say how beside it."
                                .formatted(contender.name()));
            }
            entrants.add(shelf.of(contender));
        }
        entrants.add(new Entrant(
                Contender.control(
                        entrants.size(), fields.in("control").equals("untreated") ? Role.UNTREATED : Role.BARE),
                List.of()));
        return entrants;
    }

    /** A line of the form: a product as its label has it or in a way of its own, or something that is no product. */
    private Contender contender(int line, int number, String name) {
        String way = PlainText.line(fields.text("way" + line, Contender.WAY));
        Contender.Kind what = Contender.Kind.ofCode(fields.in("what" + line)).orElse(Contender.Kind.PRODUCT);
        if (what.hasProduct() && what.hasWay() && way.isEmpty()) {
            fields.wrong("way" + line, "Say how it is kept up, or choose “a product”.");
            what = Contender.Kind.PRODUCT;
        }
        if (what == Contender.Kind.PRODUCT && !way.isEmpty()) {
            what = Contender.Kind.METHOD;
        } else if (what == Contender.Kind.PRODUCT && name.contains(Contender.OVER)) {
            what = Contender.Kind.STACK;
        }
        return new Contender(
                number,
                what.hasProduct() ? name : "",
                String.valueOf(line).equals(fields.in("reference")) ? Role.REFERENCE : Role.PRODUCT,
                asksWater(fields::in)
                        ? Optional.of(WaterKind.ofCode(fields.in("kind" + line)).orElse(WaterKind.REPELS))
                        : Optional.empty(),
                source(fields.in("source" + line)),
                what,
                what.hasProduct() ? shortened(way) : shortened(way.isEmpty() ? name : name + ", " + way));
    }

    private static String shortened(String way) {
        return way.substring(0, Math.min(way.length(), Contender.WAY));
    }

    /** Whether anything is read that looks at water. */
    static boolean asksWater(UnaryOperator<String> in) {
        return Measures.read().stream()
                .filter(Measure::looksAtWater)
                .anyMatch(m ->
                        !in.apply(m.code()).isEmpty() && !in.apply(m.code()).equals("0"));
    }

    private static Source source(String code) {
        return java.util.stream.Stream.of(Source.values())
                .filter(s -> s.name().toLowerCase(Locale.ROOT).equals(code))
                .findFirst()
                .orElse(Source.UNDISCLOSED);
    }

    /** A bed made up of places for sides, wheels or items: a line of places for each block. */
    private Optional<Bed> made(Unit unit, List<Integer> counts) {
        int across = (int) counts.stream().filter(c -> c > 0).count();
        int down = Collections.max(counts);
        if (across * CELL_WIDTH > Outline.LARGEST - 1000 || across == 0) {
            return Optional.empty();
        }
        String name = fields.text("where", 80);
        Bed bed = Bed.plain(
                name.isEmpty()
                        ? Character.toUpperCase(unit.label().charAt(0))
                                + unit.label().substring(1)
                        : name,
                unit == Unit.SIDE ? Bed.Kind.HALF : unit == Unit.WHEEL ? Bed.Kind.WHEEL : Bed.Kind.OTHER,
                across * CELL_WIDTH + (across + 1) * Layout.GAP,
                down * CELL_HEIGHT + (down + 1) * Layout.GAP);
        return Optional.of(unit == Unit.AREA ? VehicleAreas.on(bed, down, CELL_HEIGHT) : bed);
    }

    private Optional<Layout> layout(Bed bed, Unit unit, List<Integer> counts, long seed) {
        double gap = fields.number("gap", "gap", "mm", 0, 200, Layout.GAP);
        double width = 0;
        double height = 0;
        if (unit != Unit.SECTION) {
            width = CELL_WIDTH;
            height = CELL_HEIGHT;
            gap = Layout.GAP;
        } else if (!fields.in("size").isEmpty()) {
            var sized = java.util.regex.Pattern.compile("(\\d{2,4})\\s*[x×*]\\s*(\\d{2,4})(\\s*mm)?")
                    .matcher(fields.in("size"));
            if (!sized.matches()) {
                fields.wrong("size", "Write width and height in mm: 300 × 250. Leave it empty for as large as fits.");
                return Optional.empty();
            }
            width = Double.parseDouble(sized.group(1));
            height = Double.parseDouble(sized.group(2));
            if (Math.min(width, height) < org.evensheen.core.layout.Fit.SMALLEST) {
                fields.wrong("size", "A section of less than 80 mm can't be read.");
                return Optional.empty();
            }
        }
        try {
            return Optional.of(known.draw()
                    .apply(new Layout.Ask(
                            keptOff(bed.shape()),
                            counts,
                            width,
                            height,
                            gap,
                            seed,
                            Layout.Move.parse(fields.in("moves")))));
        } catch (Layout.TooSmall e) {
            fields.wrong(fields.in("size").isEmpty() ? "each" : "size", String.valueOf(e.getMessage()));
            return Optional.empty();
        }
    }

    /** The bed without the places of other studies, if that is wanted. */
    private BedShape keptOff(BedShape shape) {
        if (!fields.on("keepOff")) {
            return shape;
        }
        List<BedShape.Trim> trims = new ArrayList<>(shape.trims());
        known.inUse().stream()
                .filter(u -> u.product().isPresent() || u.runsOn(known.today()))
                .forEach(u -> trims.add(
                        new BedShape.Trim(u.code(), Outline.rectangle(u.xMm(), u.yMm(), u.widthMm(), u.heightMm()))));
        return new BedShape(shape.outline(), trims, shape.zones());
    }

    private List<String> meeting(List<Section> sections, LocalDate firstDay) {
        List<String> met = new ArrayList<>();
        for (Section s : sections) {
            known.inUse().stream()
                    .filter(u -> u.meets(s.xMm(), s.yMm(), s.widthMm(), s.heightMm()))
                    .filter(u -> u.runsOn(firstDay) || u.product().isPresent())
                    .max(java.util.Comparator.comparing(PlaceInUse::until))
                    .ifPresent(u -> met.add(
                            u.runsOn(firstDay)
                                    ? "%s lies on %s of “%s”, in use until %s"
                                            .formatted(
                                                    s.code(),
                                                    u.code(),
                                                    u.question(),
                                                    Figures.day(u.until(), known.today()))
                                    : "%s lies where %s was put on %s, and the bed was not stripped since"
                                            .formatted(
                                                    s.code(),
                                                    u.product().orElse(""),
                                                    Figures.day(u.from(), known.today()))));
        }
        return met;
    }

    private List<PlanReview.DosePlanned> doses(List<Entrant> entrants) {
        List<PlanReview.DosePlanned> planned = new ArrayList<>();
        for (int i = 0; i < Fields.MOST_PRODUCTS; i++) {
            String typed = fields.text("dose" + i, 60);
            String name = fields.in("name" + i).split(Contender.OVER)[0].strip();
            if (typed.isEmpty() || name.isEmpty()) {
                continue;
            }
            var dose = LabelLine.readDose(typed).dose();
            if (dose.isEmpty()) {
                fields.wrong("dose" + i, "Write the dose like 3 sprays per section, 4 mL per section or 1:240.");
                continue;
            }
            Entrant.Layer layer = shelf.layer(name);
            LabelDeparture.of(new Application(
                            0,
                            0,
                            0,
                            "",
                            dose,
                            Optional.empty(),
                            Optional.empty(),
                            Optional.empty(),
                            "",
                            Optional.of(layer.label()),
                            layer.calibrations()))
                    .stream()
                    .filter(d -> d.what() == LabelDeparture.What.DOSE)
                    .flatMap(d -> d.departure().stream())
                    .forEach(d -> planned.add(new PlanReview.DosePlanned(layer.product(), d)));
        }
        return planned;
    }

    private Map<String, Integer> moves() {
        Map<String, Integer> moves = new HashMap<>();
        for (String part : fields.in("dates").split("\\s+")) {
            String[] pair = part.split("=", -1);
            if (pair.length == 2 && pair[1].matches("-?\\d{1,4}")) {
                moves.put(pair[0], Integer.parseInt(pair[1]));
            }
        }
        return moves;
    }

    private Optional<String> boardOnly(Protocol protocol, Optional<Bed> bed) {
        if (!(protocol.wear() instanceof Protocol.Chemicals chemicals)) {
            return Optional.empty();
        }
        List<String> only = chemicals.chemicals().stream()
                .filter(Protocol.Chemical::boardOnly)
                .map(Protocol.Chemical::name)
                .toList();
        if (only.isEmpty()) {
            return Optional.empty();
        }
        String names = String.join(", ", only);
        if (bed.filter(b -> b.kind() == Bed.Kind.BOARD).isEmpty()) {
            return Optional.of("%s: not for a vehicle's paint. Choose a loose board as the bed, or another chemical."
                    .formatted(names));
        }
        return fields.on("ack")
                ? Optional.empty()
                : Optional.of("%s: read the caution under Protocol, and say that you have.".formatted(names));
    }
}
