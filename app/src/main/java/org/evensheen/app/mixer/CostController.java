package org.evensheen.app.mixer;

import jakarta.servlet.http.HttpServletResponse;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Filled;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.Rate;
import org.evensheen.core.schedule.OurTime;
import org.evensheen.core.units.Decimal;
import org.evensheen.core.units.TypedNumber;
import org.evensheen.core.units.TypedVolume;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The same job across products: what it costs, and why. */
@Controller
class CostController {
    private static final int MOST_PRODUCTS = 24;

    private final ProductStore products;
    private final CostStore costs;
    private final RateStore rates;
    private final Clock clock;

    CostController(ProductStore products, CostStore costs, RateStore rates, Clock clock) {
        this.rates = rates;
        this.products = products;
        this.costs = costs;
        this.clock = clock;
    }

    @GetMapping("/mixer/cost")
    String compare(@RequestParam Map<String, String> typed, Model model) {
        return show(typed, Filled.NOTHING, model);
    }

    private String show(Map<String, String> typed, Filled filled, Model model) {
        List<CostStore.Job> jobs = costs.jobs();
        String job = typed.getOrDefault("job", jobs.isEmpty() ? "" : jobs.get(0).name())
                .strip();
        List<Product> offering = products.offering(job, MOST_PRODUCTS);
        List<Rate> stated = rates.rates();
        Map<String, String> problems = new LinkedHashMap<>();
        String fill = or(typed, "fill", "");
        String car = or(typed, "car", "");
        String per = or(typed, "per", "car");
        String panels = or(typed, "panels", "12");
        String code = or(typed, "in", usualCurrency(offering));
        CostRows.Common common = new CostRows.Common(
                volume("fill", fill, problems),
                volume("car", car, problems),
                panels(panels, problems),
                Money.currency(code).orElseGet(() -> {
                    problems.put("in", "“%s” is not a currency. Write its three letters, like EUR.".formatted(code));
                    return Currency.getInstance("EUR");
                }));
        CostRows reckoned = new CostRows(common, stated, typed);
        CostPage.Basis basis = CostPage.Basis.of(per);
        List<CostRows.Row> rows = reckoned.of(
                offering, job, costs.bundled(offering.stream().map(Product::id).toList()), basis::of);
        model.addAttribute(
                "page",
                CostPage.of(
                        new CostPage.Asked(job, per, code, fill, car, panels),
                        common,
                        jobs,
                        reckoned,
                        rows,
                        stated,
                        problems));
        model.addAttribute("filled", filled);
        model.addAttribute("key", UUID.randomUUID());
        model.addAttribute("today", LocalDate.now(clock).toString());
        return "mixer/cost";
    }

    private static String or(Map<String, String> typed, String field, String usual) {
        String text = typed.getOrDefault(field, "").strip();
        return text.isEmpty() ? usual : text;
    }

    /** The currency that most prices are in. */
    private static String usualCurrency(List<Product> offering) {
        Map<String, Integer> counted = new LinkedHashMap<>();
        offering.forEach(p -> p.label()
                .offers()
                .forEach(o -> o.price()
                        .ifPresent(price -> counted.merge(price.currency().getCurrencyCode(), 1, Integer::sum))));
        return counted.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse("EUR");
    }

    /** A volume for all products; empty if none was typed, or none could be read. */
    private static OptionalDouble volume(String field, String typed, Map<String, String> problems) {
        if (typed.isEmpty()) {
            return OptionalDouble.empty();
        }
        TypedVolume read = TypedVolume.read(typed, field.equals("car") ? "car" : "vessel", 1, 1_000_000);
        if (read instanceof TypedVolume.Read ml) {
            return OptionalDouble.of(ml.ml());
        }
        problems.put(field, ((TypedVolume.Refused) read).message());
        return OptionalDouble.empty();
    }

    private static double panels(String typed, Map<String, String> problems) {
        TypedNumber read = TypedNumber.read(typed, "number of panels", "panels", 1, 100);
        if (read instanceof TypedNumber.Read number) {
            return number.value();
        }
        problems.put("panels", ((TypedNumber.Refused) read).message());
        return 12;
    }

    /** States what one currency was worth in another. */
    @PostMapping("/mixer/rates")
    String rate(
            @RequestParam Map<String, String> typed,
            @RequestParam UUID key,
            HttpServletResponse response,
            Model model) {
        Map<String, String> problems = new LinkedHashMap<>();
        Optional<Currency> from = currency("from", typed, problems);
        Optional<Currency> to = currency("to", typed, problems);
        Optional<BigDecimal> worth = positive(typed.getOrDefault("worth", ""));
        if (worth.isEmpty()) {
            problems.put("worth", "Write what one was worth, like 0.92.");
        }
        LocalDate on = day("on", typed, problems);
        if (from.isPresent() && from.equals(to)) {
            problems.put("to", "A rate stands between two currencies.");
        }
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return show(typed, new Filled("rate", typed, problems), model);
        }
        rates.keep(new Rate(from.orElseThrow(), to.orElseThrow(), worth.orElseThrow(), on), key);
        return "redirect:/mixer/cost?job=" + encoded(typed.getOrDefault("job", ""));
    }

    private static Optional<Currency> currency(String field, Map<String, String> typed, Map<String, String> problems) {
        String code = typed.getOrDefault(field, "").strip();
        Optional<Currency> currency = Money.currency(code);
        if (currency.isEmpty()) {
            problems.put(field, "“%s” is not a currency. Write its three letters, like EUR.".formatted(code));
        }
        return currency;
    }

    private static Optional<BigDecimal> positive(String typed) {
        String text = typed.strip();
        try {
            return Decimal.end(Decimal.latin(text), 0) == text.length() && !text.isEmpty()
                    ? Optional.of(new BigDecimal(Decimal.latin(text).replace(',', '.')))
                            .filter(n -> n.signum() > 0)
                    : Optional.empty();
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private static LocalDate day(String field, Map<String, String> typed, Map<String, String> problems) {
        try {
            return OurTime.day(typed.getOrDefault(field, "").strip());
        } catch (IllegalArgumentException e) {
            problems.put(field, "Write the day like 2026-05-01.");
            return LocalDate.EPOCH;
        }
    }

    private static String encoded(String text) {
        return java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8);
    }
}
