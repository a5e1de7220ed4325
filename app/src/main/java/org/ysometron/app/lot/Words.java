package org.ysometron.app.lot;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.web.Refusal;

/** An engineer's word that lets something pass which would stop a lot, with its reason. Kept, never taken back. */
@Component
public class Words {

    private final WordRepository words;
    private final Lots lots;
    private final Clock clock;

    Words(WordRepository words, Lots lots, Clock clock) {
        this.words = words;
        this.lots = lots;
        this.clock = clock;
    }

    /** What a word lets pass. */
    public enum Kind {
        WITHDRAWN_PRODUCT("a lot of a withdrawn product"),
        SIZE_GATE("an artefact or fit outside its gate"),
        OUT_OF_CALIBRATION("readings by an instrument out of calibration");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** What it lets pass, in words. */
        public String words() {
            return words;
        }
    }

    /** A word that was given. */
    public record WordView(long lotId, Kind kind, String reason, String by, Instant at) {}

    /** Gives a word. */
    @Transactional
    public void give(LotView lot, Kind kind, String reason, String by) {
        lots.lockUndecided(lot.id());
        if (reason.isBlank() || reason.length() > 400) {
            throw new Refusal("reason", "Say why, in at most 400 characters.");
        }
        Word word = new Word();
        word.lotId = lot.id();
        word.kind = kind;
        word.reason = reason.strip();
        word.givenBy = by;
        word.givenAt = clock.instant();
        words.save(word);
    }

    /** The words given for several lots. */
    public List<WordView> of(Collection<Long> lotIds) {
        return words.findByLotIdInOrderById(lotIds).stream()
                .map(word -> new WordView(word.lotId, word.kind, word.reason, word.givenBy, word.givenAt))
                .toList();
    }
}
