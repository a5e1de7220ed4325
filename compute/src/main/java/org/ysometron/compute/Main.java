package org.ysometron.compute;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Optional;
import org.ysometron.core.calculation.Calculation;
import org.ysometron.core.calculation.Calculations;
import org.ysometron.core.calculation.DiameterLogAnswer;
import org.ysometron.core.dimension.DiameterLog;
import org.ysometron.core.dimension.DiameterLogFile;
import org.ysometron.core.quantity.Problem;

/** The command line: {@code --list}, {@code --examples}, or the name of a calculation with cases on standard input. */
public final class Main {

    private static final int REFUSED = 2;

    private Main() {}

    /** Runs and leaves with 0 when every case was answered, 1 when one was refused, 2 when the call itself was wrong. */
    public static void main(String[] arguments) throws IOException {
        PrintStream out = new PrintStream(System.out, false, StandardCharsets.UTF_8);
        PrintStream err = new PrintStream(System.err, true, StandardCharsets.UTF_8);
        int code = run(arguments, System.in, out, err);
        out.flush();
        System.exit(code);
    }

    static int run(String[] arguments, InputStream in, PrintStream out, PrintStream err) throws IOException {
        String first = arguments.length == 0 ? "--help" : arguments[0];
        if (first.equals("--list")) {
            out.println(Json.list(Calculations.all()));
            return 0;
        }
        if (first.equals("--examples")) {
            Calculations.all().forEach(every -> out.println(Json.line(every, every.compute(every.example()))));
            return 0;
        }
        Optional<Calculation> calculation = Calculations.named(first);
        if (calculation.isEmpty()) {
            err.println(
                    first.startsWith("--")
                            ? "usage: compute --list, compute --examples, or compute NAME < case.json (one JSON object, or one a line)"
                            : "There is no calculation '" + first + "'; --list names them all.");
            return REFUSED;
        }
        if (first.equals("diameter-log") && arguments.length > 1) {
            return diameterLog(arguments, calculation.get(), out);
        }
        if (first.equals("curve") && arguments.length > 1) {
            return CurveFile.run(arguments, calculation.get(), out);
        }
        return answerAll(calculation.get(), new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8)), out);
    }

    /** {@code diameter-log FILE [NOMINAL TOLERANCE]}: a gauge's file of any length, in memory that does not grow. */
    private static int diameterLog(String[] arguments, Calculation calculation, PrintStream out) throws IOException {
        try (InputStream in = Files.newInputStream(Path.of(arguments[1]))) {
            double nominal = arguments.length > 2 ? Double.parseDouble(arguments[2]) : 1.75;
            DiameterLog log = new DiameterLog(nominal, arguments.length > 3 ? Double.parseDouble(arguments[3]) : 0.05);
            DiameterLogFile.read(in, log::accept);
            out.println(Json.line(calculation, DiameterLogAnswer.of(log.finish(), nominal)));
            return 0;
        } catch (DiameterLogFile.Unreadable unreadable) {
            out.println(Json.refused(calculation, unreadable.problem().text()));
            return 1;
        } catch (IllegalArgumentException tooShort) {
            out.println(Json.refused(
                    calculation,
                    new Problem(
                                    arguments[1],
                                    String.valueOf(tooShort.getMessage()),
                                    "a log of two readings at least, a nominal diameter and a tolerance in mm",
                                    "")
                            .text()));
            return 1;
        } catch (NoSuchFileException missing) {
            out.println(Json.refused(
                    calculation,
                    new Problem(arguments[1], "there is no such file", "a gauge's CSV file or .gz", "").text()));
            return 1;
        } catch (IOException unreadable) {
            out.println(Json.refused(
                    calculation,
                    new Problem(arguments[1], "it cannot be read as a file", "a gauge's CSV file or .gz", "").text()));
            return 1;
        }
    }

    private static int answerAll(Calculation calculation, BufferedReader in, PrintStream out) {
        boolean refused = false;
        for (Json.Read read : Json.cases(in)) {
            Json.Answered answered = Json.answer(calculation, read);
            out.println(answered.line());
            refused |= !answered.computed();
        }
        return refused ? 1 : 0;
    }
}
