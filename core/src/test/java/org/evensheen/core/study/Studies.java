package org.evensheen.core.study;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.water.WaterKind;

/** Small studies for tests: contenders in columns, rows as blocks, the last contender bare. */
public final class Studies {
    public static final Occasion BARE = new Occasion(0, Stage.BARE);
    public static final Occasion FRESH = new Occasion(1, Stage.FRESH);
    public static final Occasion LATER = new Occasion(28, Stage.REWETTED);

    private Studies() {}

    public static List<Contender> contenders(int products) {
        List<Contender> contenders = new ArrayList<>();
        for (int i = 0; i < products; i++) {
            contenders.add(new Contender(
                    i, "Product " + i, i == 0 ? Role.REFERENCE : Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT));
        }
        contenders.add(new Contender(products, "Bare", Role.BARE, WaterKind.REPELS, Source.BOUGHT));
        return contenders;
    }

    /** One section per contender and row, coded A1, B1, …, A2, …. */
    public static List<Section> grid(int contenders, int rows) {
        List<Section> sections = new ArrayList<>();
        for (int row = 1; row <= rows; row++) {
            for (int c = 0; c < contenders; c++) {
                sections.add(new Section("" + (char) ('A' + c) + row, c, row, 400.0 * c, 400.0 * row, 300, 200, false));
            }
        }
        return sections;
    }

    public static Plan plan(int repeats) {
        return new Plan(List.of(new Plan.Planned(Measures.PULL, repeats)), List.of(BARE, FRESH, LATER));
    }

    /** Pulls on every section at an occasion, one repeat each. */
    public static List<Reading> pulls(List<Section> sections, Occasion at, ToDoubleFunction<Section> newtons) {
        return sections.stream()
                .map(s -> new Reading(s.code(), at, 1, Measures.PULL.of(newtons.applyAsDouble(s))))
                .toList();
    }

    public static StudyRecord study(int products, List<Section> sections, List<Reading> readings) {
        return new StudyRecord(7, contenders(products), sections, plan(1), List.of(), readings);
    }
}
