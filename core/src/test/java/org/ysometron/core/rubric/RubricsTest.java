package org.ysometron.core.rubric;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.ysometron.core.data.DataFile;

/** M7: what people grade has fixed ends and a drawn example of every grade. M22: nothing is summed without weights. */
class RubricsTest {

    /** A scale that was in use is never changed: what was graded by it would mean something else. Another revision is another file. */
    private static final Map<String, String> AS_RELEASED = Map.ofEntries(
            Map.entry("overhang", "4af514c691d4fc73"),
            Map.entry("bridge", "bd39731adc33e3c5"),
            Map.entry("stringing", "bd47b79ed8afb88f"),
            Map.entry("surface", "c81356c6bb5b41cc"),
            Map.entry("corner", "8c373bc97c8a9aca"),
            Map.entry("small-detail", "c6fe861f344a3f26"),
            Map.entry("first-layers", "648215b51cd5cde1"),
            Map.entry("layer-faults", "d97a539daaec62cb"),
            Map.entry("spike", "34f32d34c45ab567"),
            Map.entry("bed-adhesion", "1f899b76587cceec"),
            Map.entry("film-release", "c8c1cf78f95b47c1"),
            Map.entry("thread-fit", "35ffd33fd4bb5a50"),
            Map.entry("pencil", "5e2e1b0fcea4f879"),
            Map.entry("attack", "bf6d5355f380e98c"),
            Map.entry("workability", "ac2475c85f6e7ec6"));

    static List<Rubric> all() {
        return Rubrics.all();
    }

    @ParameterizedTest
    @MethodSource("all")
    void everyGradeIsSaidAndDrawnOnce(Rubric rubric) {
        assertThat(rubric.grades()).extracting(Rubric.Grade::words).doesNotHaveDuplicates();
        assertThat(rubric.grades())
                .extracting(grade -> grade.drawing() + grade.fault())
                .as("an example for each grade, none like another")
                .doesNotHaveDuplicates();
        assertThat(rubric.asks()).hasSizeGreaterThan(15);
        assertThat(rubric.best()).isIn(rubric.lowest(), rubric.highest());
        rubric.grades().forEach(grade -> {
            assertThat(rubric.read(grade.words())).hasValue(grade.value());
            assertThat(rubric.share(grade.value())).isBetween(0.0, 1.0);
        });
        assertThat(rubric.share(rubric.best().value())).isEqualTo(1);
    }

    @ParameterizedTest
    @MethodSource("all")
    void m7OutsideTheScaleThereIsNoGrade(Rubric rubric) {
        assertThat(rubric.read(String.valueOf(rubric.highest().value() + 1))).isEmpty();
        assertThat(rubric.read("-1")).isEmpty();
        assertThat(rubric.read("0.5")).isEmpty();
        assertThat(rubric.read("")).isEmpty();
        assertThat(rubric.at(Double.NaN)).isEmpty();
        assertThat(rubric.next(rubric.highest().value())).isInfinite();
        assertThatThrownBy(() -> rubric.share(rubric.highest().value() + 1)).hasMessageContaining("is no grade of");
    }

    @Test
    void aScaleThatWasReleasedStaysAsItIs() {
        Map<String, String> now = new LinkedHashMap<>();
        all().forEach(rubric ->
                now.put(rubric.id(), digest(DataFile.textBeside(Rubrics.class, rubric.id() + ".yaml"))));
        assertThat(now).as("a changed scale is another file with another id").containsAllEntriesOf(AS_RELEASED);
    }

    private static String digest(String text) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash).substring(0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static final String GOOD = """
            id: shine
            revision: 1
            title: shine
            asks: how it shines in the light
            better: more
            source: common practice, no source
            grades:
              - {value: 0, words: dull, drawing: "M0 0h5"}
              - {value: 1, words: bright, drawing: "M0 0h9", fault: "M1 1h1"}
            """;

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "value: 1 | value: 0 | line 8: 'shine': grades rise, 0.0 does not",
                "value: 1 | value: x | line 9: 'x' is no number",
                "better: more | better: most | line 5: 'most' is none of more, less",
                "M0 0h9 | <svg> | line 8: 'shine': grade 1.0 is not said or not drawn",
                "revision: 1 | steps-of: time | line 1: 'revision' is missing",
                "words: dull | word: dull | line 8: 'words' is missing",
            })
    void whatIsWrongIsSaidWithItsLine(String good, String wrong, String message) {
        assertThat(Rubrics.read("shine.yaml", GOOD).line()).isEqualTo("0 dull, 1 bright");
        assertThatThrownBy(() -> Rubrics.read("shine.yaml", GOOD.replace(good, wrong)))
                .isInstanceOf(DataFile.Wrong.class)
                .hasMessageContaining("shine.yaml, " + message);
    }

    private static Map<String, Score.Element> graded(double stringing, double surface, double corner) {
        Map<String, Score.Element> graded = new LinkedHashMap<>();
        graded.put("stringing", new Score.Element(Rubrics.of("stringing").orElseThrow(), stringing));
        graded.put("surface", new Score.Element(Rubrics.of("surface").orElseThrow(), surface));
        graded.put("corner", new Score.Element(Rubrics.of("corner").orElseThrow(), corner));
        return graded;
    }

    /** By hand: stringing 1 of 3 downwards is 2/3, surface 2 of 2 is 1, corner 1 of 2 is 1/2: (2·2/3 + 1·1 + 1·1/2)/4. */
    @Test
    void m22ASumIsComputedByItsWeights() {
        Score score = Score.of(graded(1, 2, 1), Map.of("stringing", 2, "surface", 1, "corner", 1));
        assertThat(score.value()).isEqualTo((4.0 / 3 + 1.5) / 4, org.assertj.core.api.Assertions.within(1e-15));
        assertThat(score.working().steps()).hasSize(4);
        assertThatThrownBy(() -> Score.of(graded(1, 2, 1), Map.of())).hasMessageContaining("what has a weight differ");
        assertThatThrownBy(() -> Score.of(graded(1, 2, 1), Map.of("stringing", 0, "surface", 0, "corner", 0)))
                .hasMessageContaining("nothing has a weight");
        assertThatThrownBy(() -> Score.of(graded(1, 2, 1), Map.of("stringing", -1, "surface", 1, "corner", 1)))
                .hasMessageContaining("at least 0");
    }

    /** Points that do not add up are a tie or a slip: here they always add up, and ties share their place. */
    @Test
    void m22TiesAreTies() {
        assertThat(Score.places(List.of(0.5, 0.75, 0.5, 0.25))).containsExactly(2, 1, 2, 4);
        assertThat(Score.places(List.of(0.1 + 0.2, 0.3)))
                .as("alike but for rounding")
                .containsExactly(1, 1);
        assertThat(Score.places(List.of())).isEmpty();
    }

    @Property
    void aSumDoesNotDependOnOrder(
            @ForAll @IntRange(max = 3) int stringing,
            @ForAll @IntRange(max = 2) int surface,
            @ForAll @IntRange(max = 2) int corner,
            @ForAll @IntRange(max = 9) int weight,
            @ForAll long seed) {
        Map<String, Score.Element> graded = graded(stringing, surface, corner);
        Map<String, Integer> weights = Map.of("stringing", weight, "surface", 3, "corner", 7);
        List<String> keys = new ArrayList<>(graded.keySet());
        Collections.shuffle(keys, new Random(seed));
        Map<String, Score.Element> shuffled = new LinkedHashMap<>();
        keys.forEach(key -> shuffled.put(key, java.util.Objects.requireNonNull(graded.get(key))));
        assertThat(Score.of(shuffled, weights).value())
                .isEqualTo(Score.of(graded, weights).value());
    }
}
