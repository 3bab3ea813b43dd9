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
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;

/** What is compared in an afternoon, with what is done and asked by default, in order. All of it is data: {@code kinds.txt}. */
public enum Kind {
    SOAP,
    RINSELESS,
    SPRAY,
    WHEEL,
    GLASS,
    MEDIA,
    METHOD;

    private String label = "";
    private boolean dirty;
    private List<Places> shapes = List.of();
    private final List<Move> moves = new ArrayList<>();
    private final List<Question> questions = new ArrayList<>();

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
                    kind.dirty = f[2].equals("dirty");
                    kind.shapes = Stream.of(f[3].split(", "))
                            .map(s -> Places.valueOf(s.toUpperCase(Locale.ROOT).replace('-', '_')))
                            .toList();
                }
                case "move" -> kind.moves.add(new Move(f[0], f[1], f[2], Careful.of(f.length > 3 ? f[3] : "")));
                case "ask" -> kind.questions.add(question(f));
                default ->
                    throw new IllegalStateException("a line of kinds.txt begins with kind, move or ask: " + line);
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

    private static Question question(String[] f) {
        String code = f[0].replace("*", "");
        Optional<Measure> measure = f[1].equals("pair") ? Optional.empty() : Measures.ofCode(code);
        if (measure.isEmpty() != f[1].equals("pair")) {
            throw new IllegalStateException("no measure " + code);
        }
        String how = f[5].isEmpty() ? measure.map(m -> m.words().how()).orElse("") : f[5];
        String after = f[2].equals("first") ? Question.FIRST : f[2];
        return new Question(code, f[3], f[4], how, measure, after, f[0].endsWith("*"), f[6], f[7]);
    }

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** What it is called where it is chosen. */
    public String label() {
        return label;
    }

    /** Whether the state before is dirt, which is looked at first as each place's own zero. */
    public boolean dirty() {
        return dirty;
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
