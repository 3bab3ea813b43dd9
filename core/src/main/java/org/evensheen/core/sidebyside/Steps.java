package org.evensheen.core.sidebyside;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.evensheen.core.sidebyside.Step.Type;
import org.evensheen.core.study.Section;

/** Lays out the steps of an afternoon from what is asked and what was said. */
final class Steps {
    /** From so many on not every pair is asked, but a ring that joins all. */
    private static final int RING = 4;
    /** One question about pairs in so many has a pair that is asked twice, by lot. */
    private static final int TWICE = 3;

    private final Comparison c;
    private final List<Step> steps = new ArrayList<>();

    Steps(Comparison c) {
        this.c = c;
    }

    List<Step> all() {
        for (int round = 1; round <= c.rounds(); round++) {
            round(round);
        }
        return List.copyOf(steps);
    }

    private void round(int round) {
        List<String> codes = c.round(round).stream().map(Section::code).toList();
        paint(round, codes);
        if (c.kind().dirty()) {
            codes.forEach(code -> add("before/" + code, Type.BEFORE, round, List.of(code)));
        }
        if (c.kind().dosed()) {
            add("dose/" + round, Type.DOSE, round, codes);
        }
        ask(Question.FIRST, round, codes);
        for (int m = 0; m < c.kind().moves().size(); m++) {
            Move move = c.kind().moves().get(m);
            List<String> standing = move.rung() ? standing(move, codes) : codes;
            boolean needed = m == mainMove()
                    || move.timed()
                    || c.questions().stream().anyMatch(q -> q.after().equals(move.code()));
            if (needed && !standing.isEmpty()) {
                String key = "do/" + round + "/" + move.code();
                steps.add(new Step(
                        key,
                        Type.DO,
                        round,
                        standing,
                        Optional.empty(),
                        Optional.of(move),
                        answer(key),
                        Optional.empty()));
                ask(move.code(), round, standing);
            }
        }
    }

    /** What is not meant for paint is asked about before anything is done on paint; who goes on is told once more. */
    private void paint(int round, List<String> codes) {
        boolean unmeant =
                codes.stream().anyMatch(p -> c.bottle(c.on(p).number()).notForPaint());
        if (!unmeant || round > 1 || !c.shape().paint()) {
            return;
        }
        add("paint/1", Type.PAINT, round, codes);
        if (c.said("paint/1").filter(Said.PAINT::equals).isPresent()) {
            add("paint/2", Type.PAINT, round, codes);
        }
    }

    /** Places that no step below has taken off. */
    private List<String> standing(Move move, List<String> codes) {
        List<Question> before =
                c.rungs().stream().takeWhile(q -> !q.code().equals(move.code())).toList();
        return codes.stream()
                .filter(code -> before.stream().noneMatch(q -> c.gone(code, q)))
                .toList();
    }

    /** The move without which nothing would be done at all; −1 on a ladder, where each step is its own. */
    private int mainMove() {
        List<Move> moves = c.kind().moves();
        return moves.get(0).rung()
                ? -1
                : IntStream.range(0, moves.size())
                        .filter(m -> c.kind().questions().stream()
                                .anyMatch(q -> q.usual()
                                        && q.after().equals(moves.get(m).code())))
                        .findFirst()
                        .orElse(0);
    }

    private void ask(String after, int round, List<String> codes) {
        for (Question q : c.questions()) {
            if (!q.after().equals(after)) {
                continue;
            }
            switch (q.form()) {
                case MARKS -> foam(q, round, codes);
                case LEVEL -> codes.forEach(p -> asking(q.code() + "/" + p, Type.LEVEL, round, List.of(p), q));
                case NUMBER -> codes.forEach(p -> asking(q.code() + "/" + p, Type.NUMBER, round, List.of(p), q));
                case RUNG -> codes.forEach(p -> asking(q.code() + "/" + p, Type.RUNG, round, List.of(p), q));
                case PAIR -> pairs(q, round, codes).forEach(k -> pair(q, round, k));
            }
        }
    }

    private void pair(Question q, int round, String key) {
        String[] parts = key.split("/");
        asking(key, Type.PAIR, round, List.of(parts[1], parts[2]), q);
    }

    /** Foam is answered when it was read on every place at the last call, or when somebody says so. */
    private void foam(Question q, int round, List<String> codes) {
        String key = q.code() + "/" + round;
        String end = "/" + Comparison.CALLS.get(Comparison.CALLS.size() - 1);
        boolean read = codes.stream().allMatch(p -> c.said("foam/" + p + end).isPresent());
        Optional<Said> answer = answer(key);
        steps.add(new Step(
                key,
                Type.MARKS,
                round,
                codes,
                Optional.of(q),
                Optional.empty(),
                answer.isPresent() || !read ? answer : answer("foam/" + codes.get(codes.size() - 1) + end),
                Optional.empty()));
    }

    private void asking(String key, Type type, int round, List<String> codes, Question q) {
        Optional<java.time.Instant> since = q.later()
                .flatMap(l -> answer("do/" + round + "/" + q.after()))
                .filter(s -> !s.value().equals(Said.SKIP))
                .map(Said::at);
        steps.add(new Step(key, type, round, codes, Optional.of(q), Optional.empty(), answer(key), since));
    }

    private void add(String key, Type type, int round, List<String> codes) {
        steps.add(new Step(key, type, round, codes, Optional.empty(), Optional.empty(), answer(key), Optional.empty()));
    }

    private Optional<Said> answer(String key) {
        return c.answers().latest(key);
    }

    /**
     * Keys of the pairs of a question in drawn order, each pair in drawn order: every pair of three or fewer, else a ring that joins all; by lot now and then one of
     * them a second time, the other way round; last whatever somebody asked for besides.
     */
    List<String> pairs(Question q, int round, List<String> codes) {
        Random random = new Random(c.seed() * 31 + q.code().hashCode() * 7L + round);
        List<String> pairs = new ArrayList<>();
        int n = codes.size();
        if (n < RING) {
            for (int i = 0; i < n; i++) {
                for (int j = i + 1; j < n; j++) {
                    pairs.add(drawn(q, codes.get(i), codes.get(j), random));
                }
            }
        } else {
            List<String> ring = new ArrayList<>(codes);
            Collections.shuffle(ring, random);
            for (int i = 0; i < n; i++) {
                pairs.add(drawn(q, ring.get(i), ring.get((i + 1) % n), random));
            }
        }
        Collections.shuffle(pairs, random);
        if (random.nextInt(TWICE) == 0) {
            String[] first = pairs.get(0).split("/");
            pairs.add("%s/%s/%s/again".formatted(q.code(), first[2], first[1]));
        }
        c.answers()
                .under(q.code() + "/")
                .map(Said::step)
                .filter(k -> k.endsWith("/more") && codes.contains(k.split("/")[1]))
                .forEach(pairs::add);
        return pairs;
    }

    private static String drawn(Question q, String one, String other, Random random) {
        return random.nextBoolean() ? q.code() + "/" + one + "/" + other : q.code() + "/" + other + "/" + one;
    }
}
