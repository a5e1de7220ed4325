package org.ysometron.app.make;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.plan.PlannedTest;

/** Specimens that an outside service made: what it was asked for and changed, and the inspection before they count. */
@Component
public class Boughts {

    private final BoughtRepository boughts;
    private final Lots lots;
    private final Clock clock;

    Boughts(BoughtRepository boughts, Lots lots, Clock clock) {
        this.boughts = boughts;
        this.lots = lots;
        this.clock = clock;
    }

    /**
     * A delivery about to be entered.
     *
     * @param refusals what the service's design rules refused
     * @param changes what was changed in the file because of it
     */
    public record NewBought(
            String request,
            PlannedTest test,
            int count,
            String maker,
            String machine,
            String fileRevision,
            String refusals,
            String changes,
            LocalDate receivedOn) {}

    /**
     * A delivery.
     *
     * @param passed whether it passed its inspection; null while nobody has looked
     */
    public record BoughtView(
            long setId,
            String specimens,
            String maker,
            String machine,
            String fileRevision,
            String refusals,
            String changes,
            LocalDate receivedOn,
            @Nullable Boolean passed,
            String inspection,
            String by) {}

    /** Enters a delivery. */
    @Write
    public void receive(LotView lot, NewBought form, String by) {
        if (form.receivedOn().isAfter(LocalDate.now(clock))) {
            throw new Refusal("receivedOn", "It cannot have come after today.");
        }
        if (!form.refusals().isEmpty() && form.changes().isEmpty()) {
            throw new Refusal("changes", "Something was refused: say what was changed in the file because of it.");
        }
        List<SpecimenView> made = lots.addSet(
                lot.id(),
                Lots.NewSet.of(
                        form.request(),
                        form.test(),
                        form.count(),
                        1,
                        new Lots.Making(
                                null,
                                "",
                                form.receivedOn().atStartOfDay(),
                                null,
                                Setup.bought("made by " + form.maker() + " on " + form.machine() + ", file "
                                        + form.fileRevision()),
                                null)),
                by);
        if (made.isEmpty()) {
            return;
        }
        Bought row = new Bought();
        row.setId = made.get(0).setId();
        row.maker = form.maker();
        row.machine = form.machine();
        row.fileRevision = form.fileRevision();
        row.refusals = form.refusals();
        row.changes = form.changes();
        row.receivedOn = form.receivedOn();
        row.enteredBy = by;
        row.inspection = "";
        row.inspectedBy = "";
        boughts.save(row);
    }

    /** Enters what the inspection found. */
    @Write
    public void inspect(LotView lot, long setId, boolean passed, String found, String by) {
        lots.lockUndecided(lot.id());
        boolean own = lots.specimens(lot.id()).stream().anyMatch(specimen -> specimen.setId() == setId);
        Bought row = boughts.findById(setId)
                .filter(bought -> own)
                .orElseThrow(() -> new NotFound("delivery " + setId + " of lot " + lot.code()));
        if (found.isBlank() || found.length() > 300) {
            throw new Refusal("inspection", "Say what was looked at and found, in at most 300 characters.");
        }
        row.passed = passed;
        row.inspection = found.strip();
        row.inspectedBy = by;
        row.inspectedAt = clock.instant();
    }

    /** Why sets that came from outside do not count yet, by set. */
    public Map<Long, String> held(Collection<Long> setIds) {
        Map<Long, String> held = new HashMap<>();
        boughts.findAllById(setIds).forEach(row -> {
            if (!Boolean.TRUE.equals(row.passed)) {
                held.put(
                        row.setId,
                        row.passed == null
                                ? "bought in and not inspected"
                                : "bought in and refused at the inspection: " + row.inspection);
            }
        });
        return held;
    }

    /** The deliveries of a lot. */
    @Transactional(readOnly = true)
    public List<BoughtView> of(LotView lot) {
        Map<Long, List<SpecimenView>> sets = Sets.of(lots.specimens(lot.id()));
        return boughts.findAllById(sets.keySet()).stream()
                .map(row -> new BoughtView(
                        row.setId,
                        Sets.labels(sets.getOrDefault(row.setId, List.of())),
                        row.maker,
                        row.machine,
                        row.fileRevision,
                        row.refusals,
                        row.changes,
                        row.receivedOn,
                        row.passed,
                        row.inspection,
                        row.inspectedBy))
                .toList();
    }
}
