package org.evensheen.core.sidebyside;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Level;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Part;

/** What is compared in an afternoon, with what is done and asked by default, in order. All of it is data: {@code kinds.txt}. */
public enum Kind {
    SOAP,
    RINSELESS,
    SPRAY,
    WHEEL,
    GLASS,
    MEDIA,
    METHOD,
    LADDER;

    private String label = "";
    private boolean dirty;
    private boolean dosed;
    private List<Places> shapes = List.of();
    private final List<Move> moves = new ArrayList<>();
    private final List<Question> questions = new ArrayList<>();
    private final List<Job> jobs = new ArrayList<>();

    static {
        read();
    }

    private static void read() {
        Kind kind = SOAP;
        for (String line : lines()) {
            int blank = line.indexOf(' ');
            String[] f = (line.substring(blank + 1) + " ").split("\\|", -1);
            Arrays.setAll(f, i -> f[i].strip());
            switch (line.substring(0, blank)) {
                case "kind" -> {
                    kind = ofCode(f[0]).orElseThrow(() -> new IllegalStateException("no kind " + f[0]));
                    kind.label = f[1];
                    kind.dirty = f[2].contains("dirty");
                    kind.dosed = f[2].contains("dosed");
                    kind.shapes = Stream.of(f[3].split(", "))
                            .map(s -> Places.valueOf(s.toUpperCase(Locale.ROOT).replace('-', '_')))
                            .toList();
                }
                case "job" -> kind.jobs.add(new Job(f[0], List.of(f[1].split(", "))));
                case "move" -> kind.moves.add(move(f));
                case "ask" -> kind.questions.add(question(f));
                case "rung" -> {
                    kind.moves.add(rungMove(f));
                    kind.questions.add(rung(f));
                }
                default ->
                    throw new IllegalStateException(
                            "a line of kinds.txt begins with kind, job, move, ask or rung: " + line);
            }
        }
    }

    private static List<String> lines() {
        try (InputStream in = Kind.class.getResourceAsStream("kinds.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(l -> !l.isBlank() && !l.startsWith("#"))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Move move(String[] f) {
        List<Slip> slips = field(f, 4).isEmpty()
                ? List.of()
                : Stream.of(field(f, 4).split(", "))
                        .map(w -> Slip.ofCode(w).orElseThrow(() -> new IllegalStateException("no slip " + w)))
                        .toList();
        return new Move(
                f[0],
                f[1],
                f[2],
                Careful.of(field(f, 3)),
                slips,
                field(f, 5).equals("timed"),
                field(f, 5).equals("wets"),
                false);
    }

    private static Move rungMove(String[] f) {
        return new Move(
                f[0].replace("*", ""),
                "Next: " + f[1],
                f[2],
                Careful.of(field(f, 3)),
                List.of(Slip.NEIGHBOUR, Slip.RESIDUE),
                false,
                false,
                true);
    }

    private static Question rung(String[] f) {
        String code = f[0].replace("*", "");
        return new Question(
                code,
                f[1],
                "Is it still there?",
                "Look at it as you did before the first step, rinsed and dried, wetted in the same way.",
                Question.Form.RUNG,
                Optional.empty(),
                code,
                f[0].endsWith("*"),
                "",
                "",
                Optional.empty());
    }

    private static String field(String[] f, int n) {
        return f.length > n ? f[n] : "";
    }

    private static Question question(String[] f) {
        String[] named = f[0].replace("*", "").split("=");
        Optional<Measure> measure = f[1].equals("pair") ? Optional.empty() : Measures.ofCode(named[named.length - 1]);
        if (measure.isEmpty() != f[1].equals("pair")) {
            throw new IllegalStateException("no measure " + f[0]);
        }
        String how = f[5].isEmpty() ? measure.map(m -> m.words().how()).orElse("") : f[5];
        return new Question(
                named[0],
                f[3],
                f[4],
                how,
                measure.map(Kind::form).orElse(Question.Form.PAIR),
                measure,
                f[2].equals("first") ? Question.FIRST : f[2],
                f[0].endsWith("*"),
                f[6],
                f[7],
                field(f, 8).isEmpty() ? Optional.empty() : Optional.of(Later.read(f[8])));
    }

    private static Question.Form form(Measure measure) {
        return measure.parts().stream().anyMatch(p -> p instanceof Part.Series)
                ? Question.Form.MARKS
                : measure instanceof Level ? Question.Form.LEVEL : Question.Form.NUMBER;
    }

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** What it is called where it is chosen. */
    public String label() {
        return label;
    }

    /** A job that one of the kind is good or bad at, with the codes of what is asked about it. */
    public record Job(String label, List<String> asks) {}

    /** Jobs that are judged each by itself, in order; empty if there is but one. */
    public List<Job> jobs() {
        return List.copyOf(jobs);
    }

    /** Whether the state before is dirt, which is looked at first as each place's own zero. */
    public boolean dirty() {
        return dirty;
    }

    /** Whether something is put on, so that how much is worth writing down. */
    public boolean dosed() {
        return dosed;
    }

    /** Shapes it is done on, the usual one first. */
    public List<Places> shapes() {
        return shapes;
    }

    /** What is done, in order. */
    public List<Move> moves() {
        return List.copyOf(moves);
    }

    /** What can be asked, in order of the moves. */
    public List<Question> questions() {
        return List.copyOf(questions);
    }

    public Optional<Question> question(String wanted) {
        return questions.stream().filter(q -> q.code().equals(wanted)).findFirst();
    }

    public static Optional<Kind> ofCode(String wanted) {
        return Stream.of(values()).filter(k -> k.code().equals(wanted)).findFirst();
    }
}
