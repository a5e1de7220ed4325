package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.publication.Terms;

/** A part as printed is compared factor by factor, and what is not stated compares with nothing. */
class BuildTest {

    private static Build read(String typed) {
        assertThat(Build.read(typed)).isInstanceOf(Build.Read.Accepted.class);
        return ((Build.Read.Accepted) Build.read(typed)).value();
    }

    private static String refused(String typed) {
        assertThat(Build.read(typed)).isInstanceOf(Build.Read.Refused.class);
        return ((Build.Read.Refused) Build.read(typed)).problem().text();
    }

    private static Conditions hook(String build) {
        return inWords("", build);
    }

    private static Conditions inWords(String process, String build) {
        return new Conditions(
                "part-load",
                Basis.AS_PRINTED,
                Orientation.XY,
                Conditioning.DRY,
                5,
                "hook, revision 1",
                process,
                read(build));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            3 walls of 0.45 mm, layer 0.2 mm, 5 tops, 20 % gyroid | 3 walls of 0.45 mm, layer 0.2 mm, 5 tops, 20 % gyroid
            20% Gyroid infill; layers 200 µm; 3 x 0,45 mm; 5 tops and bottoms | 3 walls of 0.45 mm, layer 0.2 mm, 5 tops, 20 % gyroid
            infill 20 % gyroid, layer height of 0.2, 3 walls, line width 0.45 | 3 walls of 0.45 mm, layer 0.2 mm, 20 % gyroid
            0 % | 0 % infill
            no walls, no tops, 12,5 % | no walls, no tops, 12.5 % infill
            1 wall, 1 top, walls not stated later | refused
            layer 0.2 mm, line width 0.4 mm, tops not stated | line width 0.4 mm, layer 0.2 mm
            """)
    void itIsReadAsPeopleWriteIt(String typed, String words) {
        if (words.equals("refused")) {
            assertThat(refused(typed)).contains("'walls not stated later'");
        } else {
            assertThat(read(typed).words()).isEqualTo(words);
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            3 walls, hollow | 'hollow' names no walls
            3 walls, 4 walls | '4 walls' states the walls a second time
            120 % gyroid | infill is from 0 to 100, not 120
            51 walls | walls is a whole number from 0 to 50
            3 walls of 45 mm | line width is from 0.05 to 5, not 45
            layer 0 mm | is not above zero
            20 % of something grand | names no walls
            -3 walls | '-3 walls' names no walls
            3 walls of 0.45 mm, layer 0.2 mm, 5 tops, 1e400 % | names no walls
            """)
    void whatIsNotUnderstoodIsRefused(String typed, String why) {
        assertThat(refused(typed)).contains(why).contains("for example 3 walls of 0.45 mm");
    }

    @Property(tries = 500)
    void anyTextIsReadOrRefused(@ForAll @StringLength(max = 60) String typed) {
        Build.Read read = Build.read(typed);
        if (read instanceof Build.Read.Accepted accepted) {
            assertThat(read(accepted.value().words())).isEqualTo(accepted.value());
        }
    }

    @Property(tries = 500)
    void itsWordsAndItsKeyAreTheSameBuild(
            @ForAll @IntRange(max = 50) int walls,
            @ForAll @DoubleRange(min = 0.05, max = 5) double width,
            @ForAll @DoubleRange(max = 100) double infill,
            @ForAll @IntRange(max = 3) int stated) {
        Build build = new Build(
                OptionalDouble.of(walls),
                stated > 0 ? OptionalDouble.of(Math.rint(width * 1000) / 1000) : OptionalDouble.empty(),
                stated > 1 ? OptionalDouble.of(0.2) : OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.of(Math.rint(infill * 10) / 10),
                stated > 2 ? "honeycomb" : "");
        assertThat(Build.ofKey(build.key())).isEqualTo(build);
        assertThat(read(build.words())).isEqualTo(build);
        assertThat(build.key()).matches("\\p{ASCII}{0,120}");
    }

    @Test
    void aKeyThatIsNoneIsRefused() {
        assertThatThrownBy(() -> Build.ofKey("3 walls")).hasMessageContaining("no key of a build");
        assertThatThrownBy(() -> Build.ofKey("walls=3;roof=2")).hasMessageContaining("no key of a build");
        assertThat(Build.ofKey("")).isEqualTo(Build.NONE);
    }

    /** A claim at 30 % infill is told from a test at 20 %, and from one whose infill nobody stated. */
    @Test
    void aClaimIsComparedFactorByFactor() {
        Conditions claim = hook("3 walls of 0.45 mm, layer 0.2 mm, 5 tops, 30 % gyroid");
        assertThat(claim.compare(claim)).isEmpty();
        assertThat(claim.compare(hook(Build.EXAMPLE))).singleElement().satisfies(mismatch -> {
            assertThat(mismatch.words()).isEqualTo("infill: claimed 30 %, tested 20 %");
            assertThat(mismatch.blocking()).isTrue();
        });
        assertThat(claim.compare(hook("3 walls of 0.45 mm, layer 0.2 mm, 30 % gyroid")))
                .extracting(Conditions.Mismatch::words)
                .containsExactly("tops: claimed 5, tested not stated");
    }

    @Test
    void notStatedComparesWithNothingNotEvenWithItself() {
        Conditions bare = hook("3 walls, 20 % gyroid");
        assertThat(bare.compare(bare))
                .extracting(Conditions.Mismatch::condition)
                .containsExactly("line width", "layer", "tops");
        assertThat(hook("").compare(hook("")))
                .extracting(Conditions.Mismatch::words)
                .containsExactly("walls and infill: claimed not stated, tested not stated");
        assertThat(bare.words()).contains("(line width, layer, tops not stated)");
    }

    /** What was written before there were factors goes on as it was: words beside words. */
    @Test
    void wordsOfBeforeCompareAsWords() {
        Conditions before = inWords("3 walls, 20 % gyroid", "");
        assertThat(before.compare(before)).isEmpty();
        assertThat(before.compare(inWords("3 walls, 30 % gyroid", ""))).hasSize(1);
        assertThat(before.compare(hook(Build.EXAMPLE)))
                .extracting(Conditions.Mismatch::condition)
                .contains("walls", "infill");
    }

    @Test
    void aClaimOnAPartAsPrintedNeedsItsBuild() {
        Terms claimed = Terms.of(hook(""));
        assertThat(claimed.missing()).containsExactly("walls and infill");
        assertThat(Terms.of(hook("20 %")).missing()).isEmpty();
        assertThat(Terms.of(hook(Build.EXAMPLE)).conditions()).contains(hook(Build.EXAMPLE));
    }
}
