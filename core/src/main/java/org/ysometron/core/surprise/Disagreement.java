package org.ysometron.core.surprise;

import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.ysometron.core.method.End;
import org.ysometron.core.reading.Noted;

/**
 * What was noted of a specimen's fracture beside how its test is said to have ended: the two are written down by one hand within seconds, and where they
 * contradict one another one of them is wrong. No statistic: it is so or not.
 */
public final class Disagreement {

    private static final Set<End> WHOLE = EnumSet.of(End.NO_BREAK, End.NONE, End.HELD_TO_THE_END);
    private static final Set<End> IN_ONE_PIECE = EnumSet.of(End.HINGED, End.PARTIAL);
    private static final Set<String> BRITTLE = Set.of("brittle", "shattered", "sudden");

    private Disagreement() {}

    /**
     * Why end and notes cannot both be right; empty where they can.
     *
     * @param noted what was chosen by key of the field: fracture, broke-at
     * @param pieces found; empty where nobody counted
     */
    public static Optional<String> of(End end, Map<String, String> noted, OptionalInt pieces) {
        String fracture = noted.getOrDefault(Noted.FRACTURE, "");
        String at = noted.getOrDefault(Noted.BROKE_AT, "");
        if (WHOLE.contains(end) && !fracture.isEmpty()) {
            return Optional.of("it " + end.words() + ", and its fracture is noted as " + fracture);
        }
        if (WHOLE.contains(end) && !at.isEmpty()) {
            return Optional.of("it " + end.words() + ", and is noted to have broken " + at);
        }
        if (WHOLE.contains(end) && pieces.orElse(1) > 1) {
            return Optional.of("it " + end.words() + ", and " + pieces.getAsInt() + " pieces were found");
        }
        if (IN_ONE_PIECE.contains(end) && pieces.orElse(1) > 1) {
            return Optional.of("it " + end.words() + ", and " + pieces.getAsInt() + " pieces were found");
        }
        if (IN_ONE_PIECE.contains(end) && fracture.equals("shattered")) {
            return Optional.of("it " + end.words() + ", and its fracture is noted as shattered");
        }
        if (end == End.COMPLETE && pieces.orElse(2) < 2) {
            return Optional.of("it broke completely, and one piece was found");
        }
        boolean inMiddle = at.equals(Noted.PARTS.get(2));
        boolean atAnEnd = at.equals(Noted.PARTS.get(0)) || at.equals(Noted.PARTS.get(4));
        if (end == End.BROKE_AT_GRIP && inMiddle) {
            return Optional.of("it is said to have broken at the grip, and is noted to have broken in the middle");
        }
        if (end == End.BROKE_IN_GAUGE && atAnEnd) {
            return Optional.of("it is said to have broken in the gauge length, and is noted to have broken " + at);
        }
        if (end == End.STRIPPED && BRITTLE.contains(fracture) && pieces.orElse(1) > 1) {
            return Optional.of("the thread is said to have stripped, and the block is noted as " + fracture + " in "
                    + pieces.getAsInt() + " pieces");
        }
        return Optional.empty();
    }
}
