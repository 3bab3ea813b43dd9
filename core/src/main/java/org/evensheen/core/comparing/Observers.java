package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.StudyRecord;
import org.hipparchus.stat.descriptive.DescriptiveStatistics;

/**
 * What two people read on the same places at one moment, set against each other; each one's repeats on a place are averaged first.
 *
 * @param places that both read
 * @param alike places on which their means are equal
 * @param difference mean over the places of the first one's less the other's, in the measure's score unit
 * @param deviation standard deviation of that difference from place to place; empty with fewer than two places
 */
public record Observers(String one, String other, int places, int alike, double difference, OptionalDouble deviation) {

    /** Every two people who read a place in common, by name. Empty for a measure of which it does not matter who reads it. */
    public static List<Observers> of(StudyRecord study, Measure measure, Occasion at) {
        Map<String, Map<String, Double>> means = new TreeMap<>();
        for (Section section : study.sections()) {
            study.readings(section, at, measure).stream()
                    .filter(r -> !r.observer().isEmpty())
                    .filter(r ->
                            measure.score(r.seen(), section.areaSquareMetres()).isPresent())
                    .collect(Collectors.groupingBy(
                            Reading::observer,
                            Collectors.averagingDouble(r -> measure.score(r.seen(), section.areaSquareMetres())
                                    .getAsDouble())))
                    .forEach((who, mean) ->
                            means.computeIfAbsent(who, w -> new TreeMap<>()).put(section.code(), mean));
        }
        List<String> people = List.copyOf(means.keySet());
        List<Observers> pairs = new ArrayList<>();
        for (int i = 0; i < people.size(); i++) {
            for (int j = i + 1; j < people.size(); j++) {
                pair(people.get(i), people.get(j), means, pairs);
            }
        }
        return List.copyOf(pairs);
    }

    private static void pair(String one, String other, Map<String, Map<String, Double>> means, List<Observers> into) {
        DescriptiveStatistics differences = new DescriptiveStatistics();
        int alike = 0;
        for (Map.Entry<String, Double> of : means.get(one).entrySet()) {
            Double there = means.get(other).get(of.getKey());
            if (there != null) {
                differences.addValue(of.getValue() - there);
                alike += of.getValue().equals(there) ? 1 : 0;
            }
        }
        int places = (int) differences.getN();
        if (places > 0) {
            into.add(new Observers(
                    one,
                    other,
                    places,
                    alike,
                    differences.getMean(),
                    places > 1 ? OptionalDouble.of(differences.getStandardDeviation()) : OptionalDouble.empty()));
        }
    }
}
