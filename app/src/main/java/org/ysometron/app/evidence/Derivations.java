package org.ysometron.app.evidence;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import org.ysometron.app.intake.MaterialResults;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Publications;
import org.ysometron.app.store.OnePage;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Revisions;
import org.ysometron.core.gate.Block;
import tools.jackson.databind.json.JsonMapper;

/**
 * Keeps points and verdicts of undecided lots as new as what they rest on. Each derived row stands under the sum of the
 * counters that it was made from; what is older is made anew when somebody reads it, or a moment after the lot came to rest.
 * Nothing here runs while somebody waits for a reading to be taken.
 */
@Component
public class Derivations {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Logger LOG = LoggerFactory.getLogger(Derivations.class);

    private final NamedParameterJdbcTemplate database;
    private final Lots lots;
    private final Publications publications;
    private final LotVerdicts verdicts;
    private final LotPoints points;
    private final StoredJudgementRepository stored;
    private final MaterialResults material;
    private final Revisions revisions;
    private final ApplicationEventPublisher events;
    private final TransactionTemplate own;

    /** One at a time: what is derived of one lot is read for the next. */
    private final ReentrantLock turn = new ReentrantLock();

    Derivations(
            NamedParameterJdbcTemplate database,
            Lots lots,
            Publications publications,
            LotVerdicts verdicts,
            LotPoints points,
            StoredJudgementRepository stored,
            MaterialResults material,
            Revisions revisions,
            ApplicationEventPublisher events,
            org.springframework.transaction.PlatformTransactionManager transactions) {
        this.database = database;
        this.lots = lots;
        this.publications = publications;
        this.verdicts = verdicts;
        this.points = points;
        this.stored = stored;
        this.material = material;
        this.revisions = revisions;
        this.events = events;
        this.own = new TransactionTemplate(transactions);
        this.own.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /** An undecided lot with what its derived rows were made from. */
    private record Head(long lotId, long productId, long revision, long points, long verdicts) {

        boolean pointsAreOld(Map<String, Long> counters) {
            return points != pointsStamp(counters);
        }

        long pointsStamp(Map<String, Long> counters) {
            return revision + Revisions.sum(counters, List.of(Revisions.REGISTER, Revisions.product(productId)));
        }

        /** Verdicts rest on the lots before as well, and on those of a product that they claim to be better than. */
        long verdictsStamp(Map<String, Long> counters, Map<Long, Set<Long>> rivals) {
            long stamp = pointsStamp(counters) + counters.getOrDefault(Revisions.history(productId), 0L);
            for (long rival : rivals.getOrDefault(productId, Set.of())) {
                stamp += Revisions.sum(counters, List.of(Revisions.history(rival), Revisions.product(rival)));
            }
            return stamp;
        }
    }

    /** Makes anew what is older than its evidence, of the undecided lots of these products. */
    public void refresh(Collection<Long> products) {
        // A page under way had everything made anew before it began; it holds a connection and waits for nobody.
        if (OnePage.isRead() || products.isEmpty() || !isOld(heads(products))) {
            return;
        }
        turn.lock();
        try {
            work(heads(products));
        } finally {
            turn.unlock();
            PageMemory.forget();
        }
    }

    /** Whether something was written since this lot's rows were made; asked again under the lot's lock before a decision. */
    public boolean isOld(LotView lot) {
        return isOld(heads(List.of(lot.productId())).stream()
                .filter(head -> head.lotId() == lot.id())
                .toList());
    }

    private final Map<Long, Long> seen = new HashMap<>();

    /** Lots that came to rest: nothing was written to them since the last look. */
    @Scheduled(fixedDelayString = "${ysometron.derive-every}", initialDelayString = "${ysometron.derive-every}")
    void rested() {
        Map<String, Long> counters = revisions.all();
        Map<Long, Set<Long>> rivals = publications.rivals();
        List<Head> old = heads(List.of()).stream()
                .filter(head -> head.pointsAreOld(counters) || head.verdicts() != head.verdictsStamp(counters, rivals))
                .toList();
        List<Head> rested = old.stream()
                .filter(head -> Long.valueOf(head.revision()).equals(seen.get(head.lotId())))
                .toList();
        seen.clear();
        old.forEach(head -> seen.put(head.lotId(), head.revision()));
        if (!rested.isEmpty() && turn.tryLock()) {
            try {
                work(rested);
            } catch (DataAccessException away) {
                LOG.info("derived rows wait: {}", away.getMessage());
            } finally {
                turn.unlock();
            }
        }
    }

    private boolean isOld(List<Head> heads) {
        Map<String, Long> counters = revisions.all();
        Map<Long, Set<Long>> rivals = publications.rivals();
        return heads.stream()
                .anyMatch(
                        head -> head.pointsAreOld(counters) || head.verdicts() != head.verdictsStamp(counters, rivals));
    }

    private void work(List<Head> heads) {
        Map<String, Long> counters = revisions.all();
        Map<Long, Set<Long>> rivals = publications.rivals();
        Set<Long> touched = new HashSet<>();
        Set<Long> moved = new HashSet<>();
        for (Head head : heads) {
            if (head.pointsAreOld(counters)) {
                Set<Long> changed = points(head, head.pointsStamp(counters));
                touched.addAll(changed);
                if (!changed.isEmpty()) {
                    moved.add(head.productId());
                }
            }
        }
        if (!touched.isEmpty()) {
            events.publishEvent(new EvidenceChanged(touched));
            own.executeWithoutResult(status -> moved.forEach(product -> revisions.raise(Revisions.history(product))));
        }
        Map<String, Long> now = moved.isEmpty() ? counters : revisions.all();
        for (Head head : heads) {
            long stamp = head.verdictsStamp(now, rivals);
            if (head.verdicts() != stamp) {
                verdicts(head, stamp);
            }
        }
    }

    /** Returns the series on which the lot's point is another than before. */
    private Set<Long> points(Head head, long stamp) {
        Set<Long> changed = new HashSet<>();
        own.executeWithoutResult(status -> {
            LotView lot = lots.lot(head.lotId());
            try {
                changed.addAll(found(lot));
            } catch (DataAccessException away) {
                throw away;
            } catch (RuntimeException broken) {
                // The verdicts of this lot will say so; the other lots go on.
                LOG.error("no points for lot {}", lot.code(), broken);
            }
            database.update(
                    "insert into evidence_state (lot_id, points, verdicts) values (:lot, :stamp, -1)"
                            + " on duplicate key update points = :stamp",
                    Map.of("lot", head.lotId(), "stamp", stamp));
        });
        return changed;
    }

    private Set<Long> found(LotView lot) {
        if (lot.state() == LotState.RETAINED) {
            // A reference lot is no lot of the product's chart; it has one of its own.
            return points.rebuild(lot, List.of(), List.of(), List.of());
        }
        LotVerdicts.Sets sets = verdicts.sets(lot);
        return points.rebuild(lot, sets.counted(), sets.measured(), material.of(lot));
    }

    private void verdicts(Head head, long stamp) {
        own.executeWithoutResult(status -> {
            LotView lot = lots.lot(head.lotId());
            String fault = "";
            LotVerdicts.Found found = new LotVerdicts.Found(List.of(), List.of(), List.of());
            Map<Long, StoredJudgement> before = new HashMap<>();
            stored.findByLotIdIn(List.of(lot.id())).forEach(row -> before.put(row.claimId, row));
            if (lot.state() != LotState.RETAINED) {
                try {
                    found = verdicts.of(lot);
                    for (Judgements.Detail detail : found.details()) {
                        StoredJudgement row = before.remove(detail.claim().id());
                        stored.save((row == null ? new StoredJudgement() : row).of(lot.id(), detail));
                    }
                } catch (DataAccessException away) {
                    throw away;
                } catch (RuntimeException broken) {
                    LOG.error("no verdicts for lot {}", lot.code(), broken);
                    fault = String.valueOf(broken.getMessage());
                }
            }
            stored.deleteAll(before.values());
            database.update(
                    "insert into evidence_state (lot_id, points, verdicts, fault, blocks) values (:lot, -1, :stamp, :fault,"
                            + " :blocks) on duplicate key update verdicts = :stamp, fault = :fault, blocks = :blocks",
                    Map.of(
                            "blocks",
                            JSON.writeValueAsString(found.blocks()),
                            "lot",
                            head.lotId(),
                            "stamp",
                            stamp,
                            "fault",
                            fault.length() > 300 ? fault.substring(0, 300) : fault));
        });
    }

    /** What of the evidence itself stands in the way, by lot, as it was last worked out. */
    Map<Long, List<Block>> blocks(Collection<Long> lotIds) {
        Map<Long, List<Block>> blocks = new HashMap<>();
        if (!lotIds.isEmpty()) {
            database.query(
                    "select lot_id, blocks from evidence_state where blocks is not null and lot_id in (:lots)",
                    Map.of("lots", lotIds),
                    row -> {
                        blocks.put(row.getLong(1), List.of(JSON.readValue(row.getString(2), Block[].class)));
                    });
        }
        return blocks;
    }

    /** What went wrong with lots that could not be judged. */
    Map<Long, String> faults(Collection<Long> lotIds) {
        Map<Long, String> faults = new HashMap<>();
        if (!lotIds.isEmpty()) {
            database.query(
                    "select lot_id, fault from evidence_state where fault <> '' and lot_id in (:lots)",
                    Map.of("lots", lotIds),
                    row -> {
                        faults.put(row.getLong(1), row.getString(2));
                    });
        }
        return faults;
    }

    /** The undecided lots of these products; of all when none is named. */
    private List<Head> heads(Collection<Long> products) {
        String which = products.isEmpty() ? "" : " and l.product_id in (:products)";
        return database.query(
                "select l.id, l.product_id, l.revision, coalesce(s.points, -1), coalesce(s.verdicts, -1)"
                        + " from lot l left join evidence_state s on s.lot_id = l.id"
                        + " where l.state in ('WAITING', 'HELD', 'RETEST', 'REWORK', 'RETAINED')" + which
                        + " order by l.id",
                Map.of("products", products),
                (row, i) -> new Head(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4), row.getLong(5)));
    }
}
