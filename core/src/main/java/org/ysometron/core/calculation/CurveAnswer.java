package org.ysometron.core.calculation;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.curve.Analysis;

/** What a record of force and extension shows, as an answer of the command line. */
public final class CurveAnswer {

    private CurveAnswer() {}

    /** Strength as the main figure, at least where the gauge ended, and beside it all that was found or why it was not. */
    public static Answer of(Analysis found) {
        Answer answer = new Answer(
                        OptionalDouble.of(found.strength()),
                        "MPa",
                        found.bounded() ? "at least" : "computed",
                        Map.of(),
                        found.working())
                .with("strainAtStrength", found.strainAtStrength())
                .withIfPresent("strainAtBreak", found.strainAtBreak())
                .withIfPresent("yieldStress", found.yieldStress())
                .withIfPresent("yieldStrain", found.yieldStrain());
        if (!found.whyNoYield().isEmpty()) {
            answer = answer.with("whyNoYield", found.whyNoYield());
        }
        Analysis.Slope slope = found.slope();
        String name = slope.apparent() ? "apparentModulus" : "modulus";
        answer = answer.withIfPresent(name, slope.modulus())
                .withIfPresent(name + "ByChord", slope.chord())
                .with("r2", slope.r2())
                .with("pointsOfSlope", slope.points())
                .with("residuals", slope.residuals());
        if (!slope.refused().isEmpty()) {
            answer = answer.with(
                    "whyNo" + name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1), slope.refused());
        }
        return answer.with("energy", found.energy())
                .with("energyPerVolume", found.density())
                .with("points", points(found))
                .with("said", found.said());
    }

    private static List<Object> points(Analysis found) {
        List<Object> points = new ArrayList<>();
        for (Analysis.Point point : found.points()) {
            points.add(Answer.inOrder(
                    "kind", point.kind().words(),
                    "index", point.index(),
                    "strain", point.strain(),
                    "stress", point.stress(),
                    "how", point.how()));
        }
        return points;
    }
}
