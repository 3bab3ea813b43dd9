package org.evensheen.app.mixer;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.TypedNumber;
import org.evensheen.core.units.TypedVolume;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What the Mixer reckons with: weighed caps, pumps and sprays, vessels, and how a foam bottle empties. */
@Controller
class CalibrationController {
    private final CalibrationStore calibrations;
    private final ProductStore products;
    private final VesselStore vessels;
    private final MixerController mixer;

    CalibrationController(
            CalibrationStore calibrations, ProductStore products, VesselStore vessels, MixerController mixer) {
        this.calibrations = calibrations;
        this.products = products;
        this.vessels = vessels;
        this.mixer = mixer;
    }

    @PostMapping("/mixer/calibrations")
    String calibrate(
            Asked asked,
            @RequestParam Map<String, String> typed,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Map<String, String> problems = new LinkedHashMap<>();
        Optional<Counter> counter = Counter.named(typed.getOrDefault("counter", ""));
        double count = number("count", typed, "count", "times", 1, 1000, problems);
        double before = number("before", typed, "weight before", "g", 0, 30_000, problems);
        double after = number("after", typed, "weight after", "g", 0, 30_000, problems);
        double density = number("density", typed, "density", "g/mL", 0.5, 2, problems);
        if (counter.isEmpty()) {
            problems.put("counter", "Choose a cap, a pump or a spray.");
        }
        if (asked.product() == null) {
            problems.put("counter", "Choose the product first; every cap and every pump is its own.");
        }
        if (!problems.containsKey("count") && count != Math.rint(count)) {
            problems.put("count", "Type a whole number.");
        }
        if (problems.isEmpty() && before <= after) {
            problems.put("after", "The bottle can't weigh more after than before. Check which is which.");
        }
        if (problems.isEmpty()) {
            double each = (before - after) / (count * density);
            if (each < Calibration.LEAST || each > Calibration.MOST) {
                problems.put(
                        "after",
                        "That makes %s a %s, which can't be. Check the weights and the count."
                                .formatted(
                                        Figures.millilitres(each),
                                        counter.orElseThrow().word()));
            }
        }
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return mixer.show(asked, new Filled("weigh", typed, problems), model);
        }
        long product =
                products.load(java.util.Objects.requireNonNull(asked.product())).id();
        Calibration weighed = Calibration.weighed(counter.orElseThrow(), before - after, (int) count, density);
        calibrations.keep(product, weighed, before - after, (int) count, density, key, Hands.of(request));
        return "redirect:" + asked.address("/mixer");
    }

    private static double number(
            String field,
            Map<String, String> typed,
            String what,
            String unit,
            double lowest,
            double highest,
            Map<String, String> problems) {
        TypedNumber read = TypedNumber.read(typed.getOrDefault(field, ""), what, unit, lowest, highest);
        if (read instanceof TypedNumber.Read value) {
            return value.value();
        }
        problems.put(field, ((TypedNumber.Refused) read).message());
        return 0;
    }

    @PostMapping("/mixer/vessels")
    String vessel(Asked asked, @RequestParam Map<String, String> typed, HttpServletResponse response, Model model) {
        Map<String, String> problems = new LinkedHashMap<>();
        String name = PlainText.line(typed.getOrDefault("vesselName", ""));
        if (!PlainText.readable(name) || name.length() > 60) {
            problems.put("vesselName", "Give it a name of up to 60 characters.");
        }
        TypedVolume volume = TypedVolume.read(typed.getOrDefault("vesselVolume", ""), "vessel", 10, 1_000_000);
        if (volume instanceof TypedVolume.Refused refused) {
            problems.put("vesselVolume", refused.message());
        }
        String shape = typed.getOrDefault("shape", "");
        if (!java.util.Set.of("bucket", "foam-bottle", "sprayer").contains(shape)) {
            problems.put("shape", "Choose a shape.");
        }
        if (problems.isEmpty() && !vessels.keep(name, shape, ((TypedVolume.Read) volume).ml())) {
            problems.put("vesselName", "A vessel of that name is there already. Give this one another.");
        }
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return mixer.show(asked, new Filled("vessel", typed, problems), model);
        }
        return "redirect:" + asked.address("/mixer");
    }

    /** Keeps how a foam bottle empties with the bottle. */
    @PostMapping("/mixer/vessels/{id}/flow")
    String flow(@PathVariable long id, Asked asked, HttpServletResponse response, Model model) {
        Asked ofThis = new Asked(
                asked.product(), asked.job(), id, null, asked.dose(), null, asked.seconds(), asked.flow(), null);
        MixSetup setup = MixSetup.of(ofThis, Optional.empty(), vessels.all());
        if (setup.flow().isEmpty()) {
            response.setStatus(422);
            return mixer.show(ofThis, Filled.NOTHING, model);
        }
        vessels.time(id, setup.flow().get());
        return "redirect:" + ofThis.address("/mixer", "seconds", "", "flow", "");
    }
}
