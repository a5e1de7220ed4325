package org.ysometron.app.gate;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.curve.Drawing;
import org.ysometron.app.web.SentFile;
import org.ysometron.core.working.Figures;
import tools.jackson.databind.json.JsonMapper;

/**
 * Everything a decision rested on, frozen as text. The certificate is made from this alone, so that it shows what was
 * decided on even when later readings or rules say otherwise.
 */
record Snapshot(
        int format,
        String lot,
        int revision,
        String product,
        String productCode,
        String colour,
        String blend,
        String madeOn,
        String size,
        String note,
        int datasheetRevision,
        String datasheetValidFrom,
        List<ClaimLine> claims,
        List<SpecimenLine> specimens,
        List<String> methods,
        List<MaterialLine> material,
        List<String> samples,
        List<String> words,
        List<LimitLine> baselines,
        List<SignalLine> signals,
        List<String> enteredBy,
        List<String> late,
        List<String> notices,
        List<String> lets,
        List<PictureLine> pictures,
        List<CurveLine> curves,
        String disposition,
        String reason,
        String particulars,
        String decidedBy,
        String secondBy,
        String decidedAt,
        String software) {

    static final int FORMAT = 10;

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    /** A record of format 1 had no intake in it, one of format 2 named no method's parameters,
     * one of format 3 knew neither late entries nor what else was said of a verdict, one of format 4 no blend,
     * one of format 5 had every bound at 95 %, one of format 6 named a series by its title alone,
     * one of format 8 had no pictures, one of format 9 no curves. */
    Snapshot {
        methods = orEmpty(methods);
        material = orEmpty(material);
        samples = orEmpty(samples);
        words = orEmpty(words);
        late = orEmpty(late);
        notices = orEmpty(notices);
        lets = orEmpty(lets);
        pictures = orEmpty(pictures);
        curves = orEmpty(curves);
        particulars = orNothing(particulars);
        secondBy = orNothing(secondBy);
        blend = orNothing(blend);
    }

    private static String orNothing(@Nullable String stored) {
        return stored == null ? "" : stored;
    }

    private static <T> List<T> orEmpty(@Nullable List<T> stored) {
        return stored == null ? List.of() : stored;
    }

    /** What intake found out about the material: a property with its values, or a state in words. */
    record MaterialLine(String title, String terms, List<Double> values, String unit, String counts) {}

    /** The records of a set as they were drawn when the decision was taken. */
    record CurveLine(String words, Drawing drawing) {}

    /** A claim with its figures at full precision. */
    record ClaimLine(
            String title,
            String claimed,
            String asTyped,
            String terms,
            String verdict,
            String reason,
            int n,
            int bounds,
            int excluded,
            @Nullable Double mean,
            @Nullable Double sd,
            @Nullable Double lower,
            @Nullable Double upper,
            boolean lowerEdge,
            boolean upperEdge,
            String unit,
            int digits,
            String setup,
            List<String> beside,
            @Nullable Double confidence) {

        /** Before format 4 nothing was said beside a verdict. */
        ClaimLine {
            setup = orNothing(setup);
            beside = orEmpty(beside);
        }

        /** At which confidence the bound stands, where it is not 95 %: all planned looks together keep that. */
        public String level() {
            return confidence == null || confidence == 0 || Math.abs(confidence - 0.95) < 1e-6
                    ? ""
                    : Figures.decimals(100 * confidence, 1) + " %";
        }

        /** The bound that faces each edge of the claim, rounded for print. */
        public String bound() {
            String low = lower == null || !lowerEdge ? "" : Figures.significant(lower, digits);
            String high = upper == null || !upperEdge ? "" : Figures.significant(upper, digits);
            return low.isEmpty() && high.isEmpty()
                    ? "—"
                    : low.isEmpty() || high.isEmpty() ? low + high : low + " to " + high;
        }
    }

    /** A specimen with its readings and what they were reduced to. */
    record SpecimenLine(
            String label,
            String terms,
            String kind,
            @Nullable Double value,
            String unit,
            String outcome,
            String method,
            List<ReadingLine> readings,
            List<FigureLine> figures) {

        /** Before format 8 a specimen had one figure. */
        SpecimenLine {
            figures = orEmpty(figures);
        }
    }

    /** One figure of a specimen: what it is, what it is good for, and why it is no plain value. */
    record FigureLine(
            String characteristic,
            String title,
            String kind,
            @Nullable Double value,
            @Nullable Double upper,
            String unit,
            String reason) {}

    /** A reading as typed. */
    record ReadingLine(
            String name,
            String typed,
            @Nullable Double value,
            String unit,
            String by,
            String at,
            boolean counts,
            String reason) {}

    /**
     * A picture of a specimen.
     *
     * @param sha256 of the file as it came
     * @param markX where it broke, as a share of the width; null where nobody said
     * @param struck who struck it and why; empty where it counts
     */
    record PictureLine(
            long id,
            String specimen,
            String shows,
            String sha256,
            int width,
            int height,
            @Nullable Double markX,
            @Nullable Double markY,
            String struck) {}

    /**
     * The limits in force for a series, for the n of the lot's point.
     *
     * @param rules that were on, in words; null in records of before
     */
    record LimitLine(
            @Nullable Long seriesId,
            String series,
            int version,
            double lower,
            double centre,
            double upper,
            @Nullable String rules) {}

    /** A signal and its answer. */
    record SignalLine(@Nullable Long seriesId, String series, String words, String answer, String by) {}

    /** When it was decided, to the minute. */
    public String decidedAtShown() {
        return DateTimeFormatter.ofPattern("d MMM uuuu, HH:mm 'UTC'", Locale.ENGLISH)
                .format(Instant.parse(decidedAt).atOffset(ZoneOffset.UTC));
    }

    String toText() {
        return MAPPER.writeValueAsString(this);
    }

    static Snapshot of(String text) {
        return MAPPER.readValue(text, Snapshot.class);
    }

    /** SHA-256 of the text in UTF-8, as 64 hexadecimal digits. */
    static String hash(String text) {
        return SentFile.sha256(text.getBytes(StandardCharsets.UTF_8));
    }
}
