package org.ysometron.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.CannotAcquireLockException;
import org.ysometron.app.DemoSite;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.method.End;
import org.ysometron.core.publication.Publication;

/** M79: many at once, nobody refused for the others' sake, and what is derived is as new as what was stored. */
class CollisionsTest extends DemoSite {

    @Autowired
    private Stumbles stumbles;

    @Autowired
    private Judgements judgements;

    @Autowired
    private Derivations derivations;

    @Autowired
    private Publications publications;

    /** A collision is repeated, each time in a transaction of its own; one that never ends is not repeated for ever. */
    @Test
    void whatCollidesIsDoneAgain() {
        assertThat(stumbles.step(3)).containsExactly(true, true, true, true);
        assertThatThrownBy(() -> stumbles.step(1000)).isInstanceOf(CannotAcquireLockException.class);
        assertThat(stumbles.forget()).isBetween(5, 20);
    }

    @Test
    void manyStationsOnTheirLotsAndOneWhoLooks() throws Exception {
        List<LotView> own = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            own.add(testLots.lot());
        }
        ExecutorService hands = Executors.newFixedThreadPool(8);
        try {
            List<Future<?>> done = new ArrayList<>();
            for (LotView lot : own) {
                done.add(hands.submit(() -> {
                    for (Orientation orientation : List.of(Orientation.XY, Orientation.ZX)) {
                        for (int i = 1; i <= 5; i++) {
                            String label = orientation.name() + i;
                            bench.enter(lot, testLots.width(label, 1, "4.00"), "bench");
                            bench.enter(lot, testLots.thickness(label, 1, "4.00"), "bench");
                            bench.enter(
                                    lot,
                                    testLots.force(
                                            label,
                                            String.valueOf((orientation == Orientation.XY ? 880 : 455) + i),
                                            End.BROKE_IN_GAUGE),
                                    "bench");
                        }
                    }
                    return null;
                }));
            }
            done.add(hands.submit(() -> {
                for (int i = 0; i < 10; i++) {
                    derivations.refresh(Set.of(own.get(0).productId()));
                }
                return null;
            }));
            for (Future<?> one : done) {
                one.get();
            }
        } finally {
            hands.shutdownNow();
        }
        for (LotView lot : own) {
            assertThat(judgements.of(List.of(lot)).get(lot.id()))
                    .hasSize(7)
                    .allMatch(judged -> judged.verdict() == Verdict.SUPPORTED);
        }
    }

    /** Two who publish at the same moment make two revisions, and neither is shown an error. */
    @Test
    void twoWhoPublishAtOnceMakeTwoRevisions() throws Exception {
        long product = lots.named("PL-0003").productId();
        int before = publications
                .newest(product, Publication.Kind.LABEL)
                .map(Publications.PublicationView::revision)
                .orElse(0);
        ExecutorService two = Executors.newFixedThreadPool(4);
        try {
            List<Future<Publications.PublicationView>> made = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                made.add(two.submit(() -> publications.publish(
                        product,
                        Publication.Kind.LABEL,
                        java.time.LocalDate.now(),
                        "",
                        Publications.Attachment.NONE,
                        publications
                                .statements(publications
                                        .newestDatasheet(product)
                                        .orElseThrow()
                                        .id())
                                .stream()
                                .map(statement -> new Publications.Draft(statement, null))
                                .toList(),
                        "quality")));
            }
            List<Integer> revisions = new ArrayList<>();
            for (Future<Publications.PublicationView> one : made) {
                revisions.add(one.get().revision());
            }
            assertThat(revisions).containsExactlyInAnyOrder(before + 1, before + 2, before + 3, before + 4);
        } finally {
            two.shutdownNow();
        }
    }

    /** Nothing derived is written while a reading is taken: it is there before anything was made of it. */
    @Test
    void aReadingIsStoredBeforeAnythingIsMadeOfIt() {
        LotView lot = testLots.lot();
        derivations.refresh(Set.of(lot.productId()));
        assertThat(derivations.isOld(lot)).isFalse();
        bench.enter(lot, testLots.width("XY1", 1, "4.00"), "bench");
        assertThat(derivations.isOld(lot)).isTrue();
        judgements.of(List.of(lot));
        assertThat(derivations.isOld(lot)).isFalse();
    }
}
