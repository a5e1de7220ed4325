package org.ysometron.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.ysometron.core.statistics.PowerLaw;

/** Records of creep whose truth was put in: 0.2 mm at once and 0.03·t^0.2 mm after, of a load that comes on 30 s after the record begins. */
class HeldTest {

    private static final double ON = 30;
    private static final double HOUR = 3600;
    private static final Piece PIECE =
            new Piece(Loading.of(Loading.HOLD), Piece.By.EXTENSOMETER, OptionalDouble.empty(), OptionalDouble.empty());

    private final List<double[]> rows = new ArrayList<>();
    private final Random chance = new Random(12);

    private static double truth(double underLoad) {
        return 0.2 + 0.03 * Math.pow(underLoad, 0.2);
    }

    /** A row a second for ten minutes, then one a minute, with a micrometre of noise and a zero of 0.014 mm. */
    private HeldTest hung(double hours) {
        for (double t = 0; t < ON; t++) {
            row(t, 0);
        }
        for (double t = 0; t <= hours * HOUR; t += t < 600 ? 1 : 60) {
            row(ON + t, truth(t));
        }
        return this;
    }

    private HeldTest row(double t, double extension) {
        rows.add(new double[] {t, 0.014 + extension + 0.001 * chance.nextGaussian()});
        return this;
    }

    private double last() {
        return rows.get(rows.size() - 1)[0];
    }

    private HeldTest after(double seconds, double extension) {
        double from = last();
        for (double t = from + 10; t <= from + seconds; t += 10) {
            row(t, extension);
        }
        return this;
    }

    private Trace trace() {
        double[] t = rows.stream().mapToDouble(row -> row[0]).toArray();
        double[] d = rows.stream().mapToDouble(row -> row[1]).toArray();
        return Trace.of(t, d, t);
    }

    private Held found() {
        return Held.of(trace(), PIECE, Rules.USUAL);
    }

    private static void isTrue(Held held) {
        for (int i = 0; i < held.times().size(); i++) {
            assertThat(held.extensions().get(i))
                    .as("after %s s", held.times().get(i))
                    .isCloseTo(truth(held.times().get(i)), within(0.002));
        }
    }

    @Test
    void readsWhatItGrewByAtTheTimesOfTheStandardFromTheMomentTheLoadCameOn() {
        Held held = hung(240).found();

        assertThat(held.times()).startsWith(60.0, 180.0, 360.0, 720.0, 1800.0, HOUR, 2 * HOUR);
        assertThat(held.times()).endsWith(100 * HOUR, 200 * HOUR, 240 * HOUR - 60);
        isTrue(held);
        assertThat(held.brokenBy()).isEmpty();
        assertThat(held.left()).isEmpty();
        PowerLaw law = PowerLaw.fit(
                held.times().stream().mapToDouble(t -> t).toArray(),
                held.extensions().stream().mapToDouble(d -> d / 50).toArray(),
                0.95);
        assertThat(law.exponent()).isCloseTo(0.2, within(0.02));
    }

    @Test
    void aBreakLiesBetweenTheLastRowThatItBoreAndTheFirstBehindIt() {
        Held held = hung(30).after(600, 9.5).found();

        double bore = held.times().get(held.times().size() - 1);
        assertThat(held.brokenBy()).isPresent();
        assertThat(bore).isLessThan(held.brokenBy().getAsDouble());
        assertThat(held.brokenBy().getAsDouble() - bore).isBetween(9.0, 61.0);
        assertThat(bore).isCloseTo(30 * HOUR, within(61.0));
        isTrue(held);
        assertThat(held.analysis().at(Analysis.Point.Kind.BREAK)).isPresent();
    }

    @Test
    void whatIsLeftIsReadTenMinutesAfterTheLoadWasTakenOff() {
        double end = truth(24 * HOUR);
        Held held = hung(24).after(590, 0.4 * end).after(300, 0.3 * end).found();

        assertThat(held.left().orElseThrow()).isCloseTo(0.35 * end, within(0.06 * end));
        assertThat(held.times().get(held.times().size() - 1)).isCloseTo(24 * HOUR, within(61.0));
        isTrue(held);
    }

    @Test
    void aRecordThatEndsSoonAfterUnloadingLeavesNothingAndSaysSo() {
        Held held = hung(24).after(120, 0.1).found();

        assertThat(held.left()).isEmpty();
        assertThat(held.whyNothingLeft()).contains("ten minutes");
    }

    @Test
    void aGaugeThatFallsBackToNothingShowsNoRecovery() {
        Held held = hung(24).after(1200, -0.014).found();

        assertThat(held.left()).isEmpty();
        assertThat(held.analysis().said()).anyMatch(text -> text.contains("fell back to nothing"));
        isTrue(held);
    }

    @Test
    void aGaugeThatEndsIsReadNoFurther() {
        rows.clear();
        hung(100);
        double most = 0.014 + truth(50 * HOUR);
        rows.forEach(row -> row[1] = Math.min(row[1], most));
        Piece short50 = new Piece(
                Loading.of(Loading.HOLD), Piece.By.EXTENSOMETER, OptionalDouble.empty(), OptionalDouble.of(most));

        Held held = Held.of(trace(), short50, Rules.USUAL);

        assertThat(held.analysis().bounded()).isTrue();
        assertThat(held.times().get(held.times().size() - 1)).isLessThan(51 * HOUR);
        isTrue(held);
    }

    @Test
    void aTouchOfTheTableAndASingleWildRowAreNoBreakAndNoReading() {
        hung(48);
        for (int i = 1000; i < 1004; i++) {
            rows.get(i)[1] += 3;
        }
        rows.get(400)[1] = 12;

        Held held = found();

        assertThat(held.brokenBy()).isEmpty();
        assertThat(held.times()).endsWith(20 * HOUR, 48 * HOUR - 60);
        isTrue(held);
    }

    @Test
    void ofALostWeekendNoReadingIsMadeUp() {
        hung(240);
        rows.removeIf(row -> row[0] > 40 * HOUR && row[0] < 110 * HOUR);

        Held held = found();

        assertThat(held.times()).doesNotContain(50 * HOUR, 100 * HOUR).contains(200 * HOUR);
        assertThat(held.analysis().said()).anyMatch(text -> text.contains("near 50.00 h, 100.0 h"));
        isTrue(held);
    }

    @Test
    void aRecordThatBeginsUnderTheLoadStandsAsItIs() {
        for (double t = 60; t <= 100 * HOUR; t += 60) {
            rows.add(new double[] {t, truth(t)});
        }
        Held held = found();

        assertThat(held.analysis().said()).anyMatch(text -> text.contains("begins under the load"));
        isTrue(held);
    }

    @Test
    void theSameRecordInOtherUnitsAndWithItsRowsTurnedRoundComesToTheSame() {
        hung(30);
        Held held = found();
        StringBuilder hours = new StringBuilder("extension [µm];time [h];load [N]\n");
        List<double[]> backwards = new ArrayList<>(rows);
        Collections.reverse(backwards);
        backwards.forEach(
                row -> hours.append(String.format(Locale.ROOT, "%.4f;%.10f;122,6%n", row[1] * 1000, row[0] / HOUR)
                        .replace('.', ',')));
        Layout layout = TraceFile.look(hours.toString(), Loading.HOLD);
        Held same = Held.of(TraceFile.read(hours.toString(), layout).get(0).trace(1), PIECE, Rules.USUAL);

        assertThat(same.times()).hasSameSizeAs(held.times());
        for (int i = 0; i < same.times().size(); i++) {
            assertThat(same.extensions().get(i)).isCloseTo(held.extensions().get(i), within(2e-4));
        }
    }

    @Test
    void aBreakMayBeSaidByHand() {
        Held held = Held.of(
                hung(30).trace(),
                PIECE,
                new Rules(Rules.USUAL.from(), Rules.USUAL.to(), Rules.Yield.NONE, OptionalInt.of(700)));

        assertThat(held.times().get(held.times().size() - 1)).isCloseTo(rows.get(700)[0] - ON, within(1.0));
        assertThat(held.brokenBy()).isPresent();
        assertThatThrownBy(() -> Held.of(
                        trace(),
                        PIECE,
                        new Rules(Rules.USUAL.from(), Rules.USUAL.to(), Rules.Yield.NONE, OptionalInt.of(100_000))))
                .hasMessageContaining("the break is a point of the record");
    }

    @Test
    void whatGrewByNothingAndWhatIsTooShortAreRefused() {
        for (double t = 0; t < 2 * HOUR; t += 10) {
            row(t, -0.014);
        }
        assertThatThrownBy(this::found).hasMessageContaining("nothing grew");
        rows.clear();
        for (double t = 0; t < 50; t++) {
            row(t, t < 20 ? 0 : 0.3);
        }
        assertThatThrownBy(this::found).hasMessageContaining("before a minute under the load was over");
    }

    @Test
    void whatIsNoFigureIsNamedByWhatStandsInItsColumn() {
        String text = "time [h];extension [mm]\n0;0.1\n1;0.2\n2;NaN\n";
        Layout layout = TraceFile.look(text, Loading.HOLD);

        assertThat(layout.words()).contains("time under load: column 1").contains("extension: column 2");
        assertThatThrownBy(() -> TraceFile.read(text, layout)).hasMessageContaining("row 4, extension: 'NaN'");
    }

    @Test
    void aFileWithoutATimeIsToldWhatToSay() {
        assertThatThrownBy(() -> TraceFile.look("extension [mm];load [N]\n0.1;12\n0.2;12\n", Loading.HOLD))
                .hasMessageContaining("time under load");
    }
}
