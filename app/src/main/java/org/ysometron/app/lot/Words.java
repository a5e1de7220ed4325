package org.ysometron.app.lot;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Cause;

/**
 * A word of judgement that lets one thing pass which would stop a lot, with its reason and, where evidence is concerned, an
 * assignable cause. Kept, never taken back.
 */
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

    /**
     * A word that was given.
     *
     * @param subject key of what it is about; empty for one of before words had a subject
     */
    public record WordView(
            long lotId,
            Block.Kind kind,
            String subject,
            @Nullable Cause cause,
            String reason,
            String by,
            Instant at) {

        /** Whether it lifts this block. */
        public boolean lifts(Block block) {
            return block.isLiftedByWord()
                    && kind == block.kind()
                    && (subject.isEmpty() || subject.equals(block.subject()));
        }

        /** The word in words: what it let pass, the cause and the reason. */
        public String sentence() {
            return kind.words() + (cause == null ? "" : "; cause: " + cause.words()) + ". " + reason;
        }
    }

    /** Gives a word. */
    @Write
    public void give(LotView lot, Block block, @Nullable Cause cause, String reason, String by) {
        lots.lockUndecided(lot.id());
        if (!block.isLiftedByWord()) {
            throw new Refusal("reason", "No word lifts this: " + block.how());
        }
        String said = Reasons.require("reason", reason, "The reason", 400);
        if (block.kind().needsCause() && cause == null) {
            throw new Refusal("cause", "Choose the cause; it must hold without knowing the value.");
        }
        Word word = new Word();
        word.lotId = lot.id();
        word.kind = block.kind();
        word.subject = block.subject();
        word.cause = cause == null ? "" : cause.name();
        word.reason = said;
        word.givenBy = by;
        word.givenAt = clock.instant();
        words.save(word);
    }

    /** The words given for several lots. */
    public List<WordView> of(Collection<Long> lotIds) {
        return words.findByLotIdInOrderById(lotIds).stream()
                .map(word -> new WordView(
                        word.lotId,
                        word.kind,
                        word.subject,
                        word.cause.isEmpty() ? null : Cause.valueOf(word.cause),
                        word.reason,
                        word.givenBy,
                        word.givenAt))
                .toList();
    }
}
