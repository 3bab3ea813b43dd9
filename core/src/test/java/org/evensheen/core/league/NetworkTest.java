package org.evensheen.core.league;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.evensheen.core.league.Network.Part;
import org.junit.jupiter.api.Test;

/** One ranking across studies. */
class NetworkTest {
    private static Part only(List<Meeting> meetings) {
        Network network = Network.of(meetings);
        assertThat(network.parts()).hasSize(1);
        return network.parts().get(0);
    }

    @Test
    void theWorkedNumbersOfOneLeague() {
        Part part = only(List.of(
                Meeting.ofTwo("one", "A", "R", 1.2, 0.5),
                Meeting.ofTwo("two", "B", "R", 0.4, 0.4),
                Meeting.ofTwo("three", "A", "B", 1.3, 0.6)));
        assertThat(part.between("A", "R").difference().value()).isCloseTo(1.362, within(5e-4));
        assertThat(part.between("A", "R").difference().standardError()).isCloseTo(0.411, within(5e-4));
        assertThat(part.between("B", "R").difference().value()).isCloseTo(0.296, within(5e-4));
        assertThat(part.between("B", "R").difference().standardError()).isCloseTo(0.356, within(5e-4));
        assertThat(part.between("B", "A").better()).isEqualTo("A");
        assertThat(part.between("A", "B").difference().value()).isCloseTo(1.066, within(5e-4));
        assertThat(part.between("A", "B").difference().standardError()).isCloseTo(0.438, within(5e-4));
        assertThat(part.q()).isCloseTo(0.3247, within(5e-5));
        assertThat(part.freedom()).isEqualTo(1);
        assertThat(part.p()).isCloseTo(0.569, within(5e-4));
        assertThat(part.odd()).isEmpty();
        assertThat(part.lines()).extracting(Network.Line::product).containsExactly("A", "B", "R");
        assertThat(part.lines())
                .extracting(Network.Line::place)
                .as("B and R can't be told apart")
                .containsExactly(1, 2, 2);
        assertThat(part.lines()).extracting(Network.Line::meetings).containsExactly(2, 2, 2);
    }

    @Test
    void whatNoMeetingJoinsStandsApart() {
        Network network = Network.of(List.of(
                Meeting.ofTwo("one", "A", "B", 1, 1),
                Meeting.ofTwo("two", "C", "D", 1, 1),
                Meeting.ofTwo("three", "B", "E", 1, 1)));
        assertThat(network.parts()).hasSize(2);
        assertThat(network.parts().get(0).lines()).hasSize(3);
        assertThat(network.parts().get(1).lines())
                .extracting(Network.Line::product)
                .containsExactly("C", "D");
        assertThat(network.parts().get(1).freedom()).isZero();
        assertThat(network.parts().get(1).p()).isEqualTo(1);
        assertThat(Network.of(List.of()).parts()).isEmpty();
        assertThatThrownBy(() -> Meeting.ofTwo("x", "A", "A", 1, 1)).isInstanceOf(IllegalArgumentException.class);
    }

    /** A meeting of several shares its first product; whichever that is, nothing changes. */
    @Test
    void whichProductIsTheFirstChangesNothing() {
        Random random = new Random(4);
        List<Meeting> meetings = studies(random, 12, 0);
        List<Meeting> turned = meetings.stream()
                .map(m -> {
                    List<Integer> order = new ArrayList<>(List.of(0, 1, 2, 3));
                    Collections.shuffle(order, random);
                    return new Meeting(
                            m.source(),
                            order.stream().map(m.products()::get).toList(),
                            order.stream().map(m.means()::get).toList(),
                            order.stream()
                                    .map(i -> order.stream()
                                            .map(j -> m.covariance().get(i).get(j))
                                            .toList())
                                    .toList());
                })
                .toList();
        Part one = only(meetings);
        Part other = only(turned);
        assertThat(other.q()).isCloseTo(one.q(), within(1e-8));
        for (int i = 0; i < one.lines().size(); i++) {
            assertThat(other.lines().get(i).product())
                    .isEqualTo(one.lines().get(i).product());
            assertThat(other.lines().get(i).value().value())
                    .isCloseTo(one.lines().get(i).value().value(), within(1e-8));
        }
    }

    private static final int PRODUCTS = 15;

    /** Product i is truly worth i/4. In the first study one product reads otherwise than elsewhere, by so many standard errors of its difference to another. */
    private static List<Meeting> studies(Random random, int studies, double planted) {
        List<Meeting> meetings = new ArrayList<>();
        for (int s = 0; s < studies; s++) {
            List<Integer> some = new ArrayList<>();
            for (int i = 0; i < PRODUCTS; i++) {
                some.add(i);
            }
            Collections.shuffle(some, random);
            // Everyone meets the reference now and then, so that all are joined.
            List<Integer> four = new ArrayList<>(some.subList(0, 4));
            if (s % 2 == 0 && !four.contains(0)) {
                four.set(0, 0);
            }
            double error = 0.2 + 0.3 * random.nextDouble();
            List<Double> means = new ArrayList<>();
            for (int k = 0; k < 4; k++) {
                double off = s == 0 && k == 1 ? planted * error * Math.sqrt(2) : 0;
                means.add(four.get(k) / 4.0 + 7 * s + error * random.nextGaussian() + off);
            }
            List<List<Double>> covariance = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                List<Double> row = new ArrayList<>(Collections.nCopies(4, 0.0));
                row.set(i, error * error);
                covariance.add(row);
            }
            meetings.add(new Meeting(
                    "study " + s, four.stream().map("P%02d"::formatted).toList(), means, covariance));
        }
        return meetings;
    }

    @Test
    void intervalsOfFortyStudiesCoverTheTruth() {
        Random random = new Random(9);
        int within = 0;
        int all = 0;
        int alarms = 0;
        double looked = 0;
        int leagues = 300;
        for (int l = 0; l < leagues; l++) {
            Part part = only(studies(random, 40, 0));
            for (int i = 1; i < PRODUCTS; i++) {
                var d = part.between("P%02d".formatted(i), "P00");
                double truth = (d.better().equals("P00") ? -1 : 1) * i / 4.0;
                within += d.difference().interval().holds(truth) ? 1 : 0;
                all++;
            }
            alarms += part.odd().stream().anyMatch(Network.Odd::sure) ? 1 : 0;
            looked += part.odd().size() / (double) part.looks();
        }
        assertThat(within / (double) all).isBetween(0.93, 0.97);
        assertThat(alarms / (double) leagues).as("nobody disagrees for sure").isLessThan(0.08);
        assertThat(looked / leagues)
                .as("one look in twenty stands out by chance")
                .isBetween(0.035, 0.065);
    }

    /** A product that reads otherwise by three standard errors of a difference is found, by name. */
    @Test
    void aPlantedDisagreementIsFound() {
        Random random = new Random(11);
        int found = 0;
        int leagues = 300;
        for (int l = 0; l < leagues; l++) {
            List<Meeting> meetings = studies(random, 40, 3);
            String planted = meetings.get(0).products().get(1);
            found += only(meetings).odd().stream()
                            .anyMatch(o ->
                                    o.source().equals("study 0") && o.product().equals(planted) && o.off() > 0)
                    ? 1
                    : 0;
        }
        assertThat(found / (double) leagues).isGreaterThanOrEqualTo(0.9);
    }

    /** A 5 ahead of B, each meeting with an error of 4: with one and with four meetings more the error left is 4/√2 and 4/√5. */
    @Test
    void furtherMeetingsPartTheFirstTwoAsOftenAsTheirNumbersSay() {
        List<Meeting> one = List.of(Meeting.ofTwo("one", "A", "B", 5, 4));
        NextMeeting next = NextMeeting.of(only(one), one, 5).orElseThrow();
        assertThat(next.first()).isEqualTo("A");
        assertThat(next.second()).isEqualTo("B");
        assertThat(next.chances()).extracting(NextMeeting.Chance::meetings).containsExactly(1, 2, 4, 8);
        // Means move by √(16 − 8) and √(16 − 3.2); 1.96 × 2.828 and 1.96 × 1.789 have to be reached.
        assertThat(next.chances().get(0).parts()).isCloseTo(0.424, within(0.025));
        assertThat(next.chances().get(2).parts()).isCloseTo(0.671, within(0.025));
        assertThat(next.fewest()).isEmpty();
        List<Meeting> sure = List.of(Meeting.ofTwo("one", "A", "B", 5, 1));
        assertThat(NextMeeting.of(only(sure), sure, 5)).as("A stands alone").isEmpty();
        List<Meeting> close = List.of(Meeting.ofTwo("one", "A", "B", 7.5, 4));
        assertThat(NextMeeting.of(only(close), close, 5).orElseThrow().fewest()).isPresent();
    }

    @Test
    void aProductStandsBesideAllOthersOfItsMeeting() {
        Meeting m = new Meeting(
                "three",
                List.of("A", "B", "C"),
                List.of(10.0, 4.0, 2.0),
                List.of(List.of(1.0, 0.0, 0.0), List.of(0.0, 1.0, 0.0), List.of(0.0, 0.0, 1.0)));
        assertThat(m.besides("A").value()).isEqualTo(7);
        assertThat(m.besides("A").standardError()).isCloseTo(Math.sqrt(1.5), within(1e-12));
        assertThat(m.besides("C").value()).isEqualTo(-5);
        assertThatThrownBy(() -> m.besides("D")).isInstanceOf(IllegalArgumentException.class);
    }

    /** What a further meeting is worth follows from those of its own table: 16 and 64, in the middle 40, whatever others found. */
    @Test
    void aFurtherMeetingIsAsSureAsThoseOfItsTableInTheMiddle() {
        List<Meeting> all = List.of(
                Meeting.ofTwo("one", "A", "B", 5, 4),
                Meeting.ofTwo("two", "A", "B", 5, 8),
                Meeting.ofTwo("else", "X", "Y", 1, 0.01));
        Network network = Network.of(all);
        Part part = network.parts().stream()
                .filter(p -> p.index().containsKey("A"))
                .findFirst()
                .orElseThrow();
        // 12.8 are uncertain now; 0.7576 of it stay, and the mean moves by √(12.8 × 0.2424).
        assertThat(NextMeeting.of(part, all, 5).orElseThrow().chances().get(0).parts())
                .isCloseTo(0.266, within(0.025));
        Meeting three = new Meeting(
                "three",
                List.of("A", "B", "C"),
                List.of(1.0, 2.0, 3.0),
                List.of(List.of(4.0, 1.0, 1.0), List.of(1.0, 4.0, 1.0), List.of(1.0, 1.0, 9.0)));
        assertThat(three.pairVariance()).isCloseTo((6 + 11 + 11) / 3.0, within(1e-12));
        assertThat(new NextMeeting("A", "B", List.of(new NextMeeting.Chance(1, 0.8))).fewest())
                .as("four in five is enough")
                .isPresent();
    }
}
