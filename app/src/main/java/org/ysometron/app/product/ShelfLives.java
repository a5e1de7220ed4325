package org.ysometron.app.product;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Moments;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.material.ShelfLife;

/** How long products keep. What was said when a lot was made holds for it, so that a longer life said later mends no old lot. */
@Component
public class ShelfLives {

    private final ShelfRepository shelves;
    private final PageMemory memory;
    private final Clock clock;

    ShelfLives(ShelfRepository shelves, PageMemory memory, Clock clock) {
        this.shelves = shelves;
        this.memory = memory;
        this.clock = clock;
    }

    /** What was said of a product, and when. */
    public record Said(int days, LocalDate on, String reason, String by) {}

    /** All that was said of a product, the oldest first. */
    public List<Said> of(long productId) {
        return memory.each("shelf lives", List.of(productId), ids -> shelves.findByProductIdInOrderById(ids).stream()
                        .collect(Collectors.groupingBy(
                                row -> row.productId,
                                Collectors.mapping(
                                        row -> new Said(row.days, Moments.day(row.saidAt), row.reason, row.saidBy),
                                        Collectors.toUnmodifiableList()))))
                .getOrDefault(productId, List.of());
    }

    /** How long a lot of that day keeps; empty where nobody had said it by then. */
    public Optional<ShelfLife> of(long productId, LocalDate madeOn) {
        return of(productId).stream()
                .filter(said -> !said.on().isAfter(madeOn))
                .reduce((first, last) -> last)
                .map(said -> new ShelfLife(madeOn, said.days()));
    }

    /** Says how long lots made from today on keep. */
    @Write
    public void say(long productId, int days, String reason, String by) {
        try {
            new ShelfLife(LocalDate.now(clock), days);
        } catch (IllegalArgumentException outside) {
            throw new Refusal("shelf", "A lot keeps 1 day to 100 years.");
        }
        Reasons.require("shelf", reason, "The reason", 300);
        boolean alike = of(productId).stream()
                .reduce((first, last) -> last)
                .filter(last -> last.days() == days)
                .isPresent();
        if (alike) {
            throw new Refusal("shelf", "That is what is said already.");
        }
        Shelf row = new Shelf();
        row.productId = productId;
        row.days = days;
        row.reason = reason.strip();
        row.saidBy = by;
        row.saidAt = clock.instant();
        shelves.save(row);
    }
}
