package org.evensheen.app.plans;

import java.util.LinkedHashMap;
import java.util.Map;
import org.evensheen.core.footing.PlanReview.Remedy;

/** What a remedy changes in what was typed. */
final class Remedies {
    private Remedies() {}

    /** @param seed a fresh one, for drawing lots anew */
    static Map<String, String> changes(Remedy remedy, Map<String, String> typed, Design design, long seed) {
        Map<String, String> changes = new LinkedHashMap<>();
        int each = design.counts().get(0);
        switch (remedy) {
            case ADD_BARE -> changes.put("bare", String.valueOf(Math.max(2, each)));
            case SECOND_SECTION -> {
                changes.put("each", String.valueOf(each + 1));
                int bare = design.counts().get(design.counts().size() - 1);
                changes.put("bare", String.valueOf(Math.max(bare, each + 1)));
            }
            case LET_LOTS_DECIDE -> changes.put("moves", "");
            case FIRST_IS_REFERENCE -> {
                for (int i = Fields.MOST_PRODUCTS - 1; i >= 0; i--) {
                    if (!typed.getOrDefault("name" + i, "").isBlank()) {
                        changes.put("reference", String.valueOf(i));
                    }
                }
            }
            case PROVE_BARE -> {
                changes.put("prep-strip", "on");
                changes.put("prove", "on");
            }
            case CHECK_GAUGE -> changes.put("gauge", "on");
            case NOTE_WEATHER -> changes.put("weather", "on");
            case JUDGE_BLIND -> changes.put("blind", "on");
            case NO_TOPPERS -> changes.put("toppers", "");
            case LABEL_DOSES -> {
                for (int i = 0; i < Fields.MOST_PRODUCTS; i++) {
                    changes.put("dose" + i, "");
                }
            }
            case KEEP_THE_CURE -> changes.put("cure", "");
            case LABEL_DATES -> changes.put("dates", "");
            case ROTATE -> changes.put("scheme", "rotated");
            case MORE_VISITS ->
                changes.put(typed.getOrDefault("wear", "").equals("washes") ? "washVisits" : "visits", "6");
            case KEEP_OFF -> {
                changes.put("keepOff", "on");
                changes.put("moves", "");
            }
            case DRAW_AGAIN -> {
                changes.put("seed", String.valueOf(seed));
                changes.put("moves", "");
            }
        }
        return changes;
    }
}
