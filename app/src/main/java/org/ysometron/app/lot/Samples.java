package org.ysometron.app.lot;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;

/** Spools and bottles drawn from a lot: from which place of it, by whom, and where they were found. */
@Component
public class Samples {

    private final SampleRepository samples;
    private final Lots lots;

    Samples(SampleRepository samples, Lots lots) {
        this.samples = samples;
        this.lots = lots;
    }

    /** Which part of the lot a sample stands for. */
    public enum Place {
        START("start"),
        MIDDLE("middle"),
        END("end");

        private final String words;

        Place(String words) {
            this.words = words;
        }

        /** The place in a word. */
        public String words() {
            return words;
        }
    }

    /** A sample about to be entered. */
    public record NewSample(
            String label, Place place, String drawnBy, String drawnFrom, LocalDate drawnOn, Holds holds) {

        /** A sample of which nobody said how much it holds. */
        public NewSample(String label, Place place, String drawnBy, String drawnFrom, LocalDate drawnOn) {
            this(label, place, drawnBy, drawnFrom, drawnOn, Holds.UNKNOWN);
        }
    }

    /**
     * How much material a sample holds.
     *
     * @param typed as typed
     * @param grams empty when nobody said
     */
    public record Holds(String typed, OptionalDouble grams) {

        /** Nobody said. */
        public static final Holds UNKNOWN = new Holds("", OptionalDouble.empty());
    }

    /** A sample as other slices see it. */
    public record SampleView(
            long id, String label, Place place, String drawnBy, String drawnFrom, LocalDate drawnOn, Holds holds) {}

    /** Enters a sample. */
    @Write
    public SampleView draw(LotView lot, NewSample form, String by) {
        lots.lockUndecided(lot.id());
        if (samples.existsByLotIdAndLabel(lot.id(), form.label())) {
            throw new Refusal("label", "Lot " + lot.code() + " already has a sample '" + form.label() + "'.");
        }
        lots.requireMadeBy("drawnOn", lot, form.drawnOn().atStartOfDay(), "A sample");
        Sample sample = new Sample();
        sample.lotId = lot.id();
        sample.label = form.label();
        sample.place = form.place();
        sample.drawnBy = form.drawnBy();
        sample.drawnFrom = form.drawnFrom();
        sample.drawnOn = form.drawnOn();
        sample.holds = form.holds().grams().isPresent() ? form.holds().grams().getAsDouble() : null;
        sample.holdsTyped = form.holds().typed();
        sample.enteredBy = by;
        return view(samples.save(sample));
    }

    /** The lot's samples in order of entry. */
    public List<SampleView> of(long lotId) {
        return samples.findByLotIdInOrderById(List.of(lotId)).stream()
                .map(Samples::view)
                .toList();
    }

    /** Which of these lots have a sample. */
    public Set<Long> drawn(Collection<Long> lotIds) {
        return lotIds.isEmpty() ? Set.of() : samples.lotsWithOne(lotIds);
    }

    /** One sample of the lot. */
    public SampleView sample(LotView lot, long id) {
        return of(lot.id()).stream()
                .filter(sample -> sample.id() == id)
                .findFirst()
                .orElseThrow(() -> new NotFound("sample " + id + " of lot " + lot.code()));
    }

    private static SampleView view(Sample sample) {
        return new SampleView(
                sample.id,
                sample.label,
                sample.place,
                sample.drawnBy,
                sample.drawnFrom,
                sample.drawnOn,
                new Holds(
                        sample.holdsTyped,
                        sample.holds == null ? OptionalDouble.empty() : OptionalDouble.of(sample.holds)));
    }
}
