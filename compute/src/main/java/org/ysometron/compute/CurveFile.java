package org.ysometron.compute;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.ysometron.core.calculation.Answer;
import org.ysometron.core.calculation.Calculation;
import org.ysometron.core.calculation.CurveAnswer;
import org.ysometron.core.curve.Analysis;
import org.ysometron.core.curve.Layout;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.curve.TraceFile;
import org.ysometron.core.quantity.Problem;

/** {@code curve FILE --area 40 --gauge-length 50}: the records of a file, a line each, with flags for every finding. */
final class CurveFile {

    private static final List<String> FLAGS = List.of(
            "--area", "--gauge-length", "--by", "--compliance", "--capacity", "--from", "--to", "--yield", "--break");

    private CurveFile() {}

    /** Answers 0 when every record was worked out, 1 when the file or one of them was refused. */
    static int run(String[] arguments, Calculation calculation, PrintStream out) throws IOException {
        try {
            Map<String, String> flags = flags(arguments);
            Piece piece = piece(flags);
            Rules rules = rules(flags);
            String text = Files.readString(Path.of(arguments[1]), StandardCharsets.UTF_8);
            Layout layout = TraceFile.look(text);
            boolean refused = false;
            for (TraceFile.Read read : TraceFile.read(text, layout)) {
                refused |= !answer(read, layout, piece, rules, calculation, out);
            }
            return refused ? 1 : 0;
        } catch (TraceFile.Unreadable unreadable) {
            out.println(Json.refused(calculation, unreadable.problem().text()));
        } catch (IllegalArgumentException wrong) {
            out.println(Json.refused(calculation, wrong.getMessage() + "."));
        } catch (NoSuchFileException missing) {
            out.println(Json.refused(calculation, problem(arguments[1], "there is no such file")));
        } catch (IOException unreadable) {
            out.println(Json.refused(calculation, problem(arguments[1], "it cannot be read as text in UTF-8")));
        }
        return 1;
    }

    private static boolean answer(
            TraceFile.Read read, Layout layout, Piece piece, Rules rules, Calculation calculation, PrintStream out) {
        try {
            Answer answer = CurveAnswer.of(Analysis.of(read.trace(piece.length()), piece, rules))
                    .with("layout", layout.words());
            out.println(Json.line(
                    calculation, read.specimen().isEmpty() ? answer : answer.with("specimen", read.specimen())));
            return true;
        } catch (IllegalArgumentException none) {
            String which = read.specimen().isEmpty() ? "the record" : read.specimen();
            out.println(Json.refused(calculation, which + ": " + none.getMessage() + "."));
            return false;
        }
    }

    private static String problem(String file, String found) {
        return new Problem(file, found, "a CSV file with force and extension", "").text();
    }

    private static Map<String, String> flags(String[] arguments) {
        Map<String, String> flags = new LinkedHashMap<>();
        for (int i = 2; i < arguments.length; i += 2) {
            if (!FLAGS.contains(arguments[i]) || i + 1 == arguments.length) {
                throw new IllegalArgumentException(
                        "'" + arguments[i] + "' is no flag with its value; there are " + String.join(", ", FLAGS));
            }
            flags.put(arguments[i], arguments[i + 1]);
        }
        return flags;
    }

    private static Piece piece(Map<String, String> flags) {
        if (!flags.containsKey("--area") || !flags.containsKey("--gauge-length")) {
            throw new IllegalArgumentException("a stress needs --area in mm², a strain --gauge-length in mm");
        }
        return new Piece(
                number(flags, "--area").getAsDouble(),
                number(flags, "--gauge-length").getAsDouble(),
                word(flags, "--by", Piece.By.values(), Piece.By.EXTENSOMETER),
                number(flags, "--compliance"),
                number(flags, "--capacity"));
    }

    private static Rules rules(Map<String, String> flags) {
        OptionalDouble at = number(flags, "--break");
        return new Rules(
                number(flags, "--from").orElse(Rules.USUAL.from()),
                number(flags, "--to").orElse(Rules.USUAL.to()),
                word(flags, "--yield", Rules.Yield.values(), Rules.Yield.FOUND),
                at.isPresent() ? OptionalInt.of((int) at.getAsDouble()) : OptionalInt.empty());
    }

    private static OptionalDouble number(Map<String, String> flags, String flag) {
        String text = flags.get(flag);
        if (text == null) {
            return OptionalDouble.empty();
        }
        try {
            return OptionalDouble.of(Double.parseDouble(text));
        } catch (NumberFormatException none) {
            throw new IllegalArgumentException(flag + " takes a number, got '" + text + "'", none);
        }
    }

    private static <E extends Enum<E>> E word(Map<String, String> flags, String flag, E[] words, E usual) {
        String text = flags.get(flag);
        return text == null
                ? usual
                : Arrays.stream(words)
                        .filter(one -> one.name().equals(text.toUpperCase(Locale.ROOT)))
                        .findFirst()
                        .orElseThrow(() -> new IllegalArgumentException(flag + " takes one of "
                                + String.join(
                                        ", ",
                                        Arrays.stream(words)
                                                .map(one -> one.name().toLowerCase(Locale.ROOT))
                                                .toList())
                                + ", got '" + text + "'"));
    }
}
