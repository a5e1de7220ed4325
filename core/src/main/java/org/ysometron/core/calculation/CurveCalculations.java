package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.ysometron.core.curve.Analysis;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.curve.Trace;

/** Points and figures of one record of force and extension. */
final class CurveCalculations {

    private CurveCalculations() {}

    static List<Calculation> all() {
        return List.of(curve());
    }

    private static Calculation curve() {
        return new Calculation(
                "curve",
                "Zero, modulus, yield, strength, break and energy of one record of force and extension",
                List.of(
                        required("force", NUMBERS, "N", "in the order of the test; a pull is positive")
                                .in(-1e9, 1e9)
                                .items(Trace.FEWEST, 100_000),
                        required("extension", NUMBERS, "mm", "one beside each force")
                                .in(-1e6, 1e6)
                                .items(Trace.FEWEST, 100_000),
                        optional("time", NUMBERS, "s", "one beside each force, rising, or falling all along")
                                .in(-1e9, 1e9)
                                .items(0, 100_000),
                        required("area", NUMBER, "mm²", "of the section").in(1e-6, 1e6),
                        required("length", NUMBER, "mm", "that the extension is of: gauge length, or grip distance")
                                .in(1e-6, 1e5),
                        optional("by", WORD, "", Case.list(Piece.By.class) + "; extensometer unless given"),
                        optional(
                                        "compliance",
                                        NUMBER,
                                        "mm/N",
                                        "of frame and grips, subtracted from a crosshead's travel")
                                .in(0, 0.999),
                        optional("capacity", NUMBER, "N", "of the gauge").in(1e-9, 1e9),
                        optional("from", NUMBER, "", "strain at which the modulus begins; 0.0005 unless given")
                                .in(0, 1),
                        optional("to", NUMBER, "", "strain at which it ends; 0.0025 unless given")
                                .in(0, 1),
                        optional("yield", WORD, "", Case.list(Rules.Yield.class) + "; found unless given"),
                        optional("break", WHOLE, "", "point that is said to be the break, from 0; found unless given")
                                .in(1, 100_000)),
                "MPa",
                "ISO 527-1: toe compensation, modulus, yield stress, offset yield, strength, strain at break",
                example(),
                CurveCalculations::of);
    }

    /** A straight line to 50 MPa in 250 steps, and the fall behind it. */
    private static Map<String, Object> example() {
        List<Object> force = new ArrayList<>();
        List<Object> extension = new ArrayList<>();
        for (int i = 0; i <= 250; i++) {
            force.add(8.0 * i);
            extension.add(0.005 * i);
        }
        force.add(3.0);
        extension.add(1.26);
        Map<String, Object> example = new LinkedHashMap<>();
        example.put("force", force);
        example.put("extension", extension);
        example.put("area", 40);
        example.put("length", 50);
        return example;
    }

    private static Answer of(Case given) {
        Piece piece = new Piece(
                given.number("area"),
                given.number("length"),
                given.word("by", Piece.By.class, Piece.By.EXTENSOMETER),
                maybe(given, "compliance"),
                maybe(given, "capacity"));
        Rules rules = new Rules(
                given.number("from", Rules.USUAL.from()),
                given.number("to", Rules.USUAL.to()),
                given.word("yield", Rules.Yield.class, Rules.Yield.FOUND),
                given.has("break") ? OptionalInt.of(given.whole("break")) : OptionalInt.empty());
        Trace trace = Trace.of(
                given.has("time") ? given.numbers("time") : new double[0],
                given.numbers("force"),
                given.numbers("extension"));
        return CurveAnswer.of(Analysis.of(trace, piece, rules));
    }

    private static OptionalDouble maybe(Case given, String name) {
        return given.has(name) ? OptionalDouble.of(given.number(name)) : OptionalDouble.empty();
    }
}
