package org.ysometron.app.make;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Results;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.plan.Confounding;
import org.ysometron.core.plan.Order;

/** Cure and anneal runs: which specimen was where in the chamber, in which pose, cycle by cycle. */
@Component
public class Chambers {

    private static final int MOST = 12;

    private final ChamberRunRepository runs;
    private final ChamberPlaceRepository places;
    private final Treatments treatments;
    private final Instruments instruments;
    private final Lots lots;
    private final Clock clock;

    private final Results results;

    Chambers(
            ChamberRunRepository runs,
            ChamberPlaceRepository places,
            Treatments treatments,
            Instruments instruments,
            Lots lots,
            Clock clock,
            Results results) {
        this.results = results;
        this.runs = runs;
        this.places = places;
        this.treatments = treatments;
        this.instruments = instruments;
        this.lots = lots;
        this.clock = clock;
    }

    /** How places are given over several cycles. */
    public enum Placing {
        SHUFFLED("changed from cycle to cycle, none to the same place twice"),
        FIXED("fixed");

        private final String words;

        Placing(String words) {
            this.words = words;
        }

        /** The placing in words. */
        public String words() {
            return words;
        }
    }

    /**
     * A run about to be entered.
     *
     * @param specimens labels of those that went in
     * @param reached temperature and time as they were, in words
     */
    public record NewChamber(
            String request,
            long treatmentId,
            long chamberId,
            LocalDateTime beganAt,
            int cycles,
            int rows,
            int columns,
            Placing placing,
            Treatments.Pose pose,
            List<String> specimens,
            String reached) {}

    /** A specimen in a cycle. */
    public record Placed(SpecimenView specimen, int cycle, int place, Treatments.Pose pose) {}

    /** A run as other slices see it. */
    public record ChamberView(
            long id,
            long lotId,
            Treatments.TreatmentView treatment,
            long chamberId,
            String chamber,
            LocalDateTime beganAt,
            int cycles,
            int rows,
            int columns,
            long seed,
            String reached,
            List<Placed> placed,
            String by) {

        /** When it is over, by the programme's minutes. */
        public LocalDateTime endsAt() {
            return beganAt.plusMinutes((long) treatment.minutes() * cycles);
        }
    }

    /** Enters a run. */
    @Write
    public void treat(LotView lot, NewChamber form, String by) {
        lots.lockUndecided(lot.id());
        if (runs.existsByLotIdAndRequest(lot.id(), form.request())) {
            return;
        }
        Treatments.TreatmentView treatment = treatments.treatment(form.treatmentId());
        if (treatment.productId() != lot.productId()) {
            throw new Refusal("treatment", "The programme is for another product.");
        }
        boolean light = treatment.kind() == Treatments.Kind.CURE || treatment.kind() == Treatments.Kind.EXPOSE;
        Kind wanted = light ? Kind.CURE_CHAMBER : Kind.OVEN;
        if (instruments.instrument(form.chamberId()).kind() != wanted) {
            throw new Refusal(
                    "chamber",
                    "To " + treatment.kind().words() + ", choose " + (wanted == Kind.OVEN ? "an " : "a ")
                            + wanted.words() + ".");
        }
        if (form.rows() < 1
                || form.rows() > MOST
                || form.columns() < 1
                || form.columns() > MOST
                || form.cycles() < 1
                || form.cycles() > MOST) {
            throw new Refusal("grid", "Rows, columns and cycles are 1 to " + MOST + ".");
        }
        if (form.beganAt().isAfter(LocalDateTime.now(clock).plusMinutes(1))) {
            throw new Refusal("beganAt", "The run cannot have begun after now.");
        }
        lots.requireMadeBy("beganAt", lot, form.beganAt(), "The run");
        List<SpecimenView> inside = form.specimens().stream()
                .map(name -> lots.specimen(lot, name))
                .distinct()
                .toList();
        if (inside.isEmpty()) {
            throw new Refusal("specimens", "Say which specimens went in.");
        }
        Set<Long> known =
                results.known(inside.stream().map(SpecimenView::id).toList()).keySet();
        inside.stream()
                .filter(specimen -> known.contains(specimen.id()))
                .findFirst()
                .ifPresent(broken -> {
                    throw new Refusal(
                            "specimens",
                            broken.label()
                                    + " has its result already: what was done to it is entered before it is broken.");
                });
        if (inside.size() > form.rows() * form.columns()) {
            throw new Refusal(
                    "grid",
                    inside.size() + " specimens do not fit " + form.rows() + " × " + form.columns()
                            + " places: two runs, or a larger chamber.");
        }
        ChamberRun run = stored(lot, form, by);
        List<List<Integer>> byCycle = Order.places(
                inside.size(),
                form.rows() * form.columns(),
                form.placing() == Placing.SHUFFLED ? form.cycles() : 1,
                run.seed);
        for (int cycle = 0; cycle < form.cycles(); cycle++) {
            List<Integer> row = byCycle.get(cycle % byCycle.size());
            for (int i = 0; i < inside.size(); i++) {
                ChamberPlace place = new ChamberPlace();
                place.runId = run.id;
                place.specimenId = inside.get(i).id();
                place.cycle = cycle + 1;
                place.place = row.get(i);
                place.pose = form.pose();
                places.save(place);
            }
        }
    }

    private ChamberRun stored(LotView lot, NewChamber form, String by) {
        ChamberRun run = new ChamberRun();
        run.request = form.request();
        run.lotId = lot.id();
        run.treatmentId = form.treatmentId();
        run.chamberId = form.chamberId();
        run.beganAt = form.beganAt();
        run.cycles = form.cycles();
        run.atRows = form.rows();
        run.atColumns = form.columns();
        run.seed = form.request().hashCode();
        run.reached = form.reached();
        run.enteredBy = by;
        run.enteredAt = clock.instant();
        return runs.save(run);
    }

    /** The runs of several lots, by lot. */
    @Transactional(readOnly = true)
    public Map<Long, List<ChamberView>> of(Collection<Long> lotIds) {
        List<ChamberRun> found = runs.findByLotIdInOrderById(lotIds);
        if (found.isEmpty()) {
            return Map.of();
        }
        Map<Long, List<ChamberPlace>> byRun = new HashMap<>();
        places.findByRunIdInOrderByCycleAscPlaceAsc(
                        found.stream().map(run -> run.id).toList())
                .forEach(place -> byRun.computeIfAbsent(place.runId, id -> new ArrayList<>())
                        .add(place));
        Map<Long, SpecimenView> known = new HashMap<>();
        lots.specimensOf(lotIds).forEach(specimen -> known.put(specimen.id(), specimen));
        Map<Long, List<ChamberView>> byLot = new LinkedHashMap<>();
        for (ChamberRun run : found) {
            List<Placed> placed = new ArrayList<>();
            for (ChamberPlace place : byRun.getOrDefault(run.id, List.of())) {
                Optional.ofNullable(known.get(place.specimenId))
                        .ifPresent(specimen -> placed.add(new Placed(specimen, place.cycle, place.place, place.pose)));
            }
            byLot.computeIfAbsent(run.lotId, id -> new ArrayList<>())
                    .add(new ChamberView(
                            run.id,
                            run.lotId,
                            treatments.treatment(run.treatmentId),
                            run.chamberId,
                            instruments.instrument(run.chamberId).name(),
                            run.beganAt,
                            run.cycles,
                            run.atRows,
                            run.atColumns,
                            run.seed,
                            run.reached,
                            placed,
                            run.enteredBy));
        }
        return byLot;
    }

    /** What of a lot's curing cannot be told from its orientation; empty when nothing is confounded. */
    public Optional<String> confounded(LotView lot) {
        List<String> orientations = new ArrayList<>();
        List<String> poses = new ArrayList<>();
        for (ChamberView run : of(List.of(lot.id())).getOrDefault(lot.id(), List.of())) {
            for (Placed placed : run.placed()) {
                if (placed.cycle() == 1) {
                    orientations.add(
                            placed.specimen().conditions().orientation().words());
                    poses.add(placed.pose().words());
                }
            }
        }
        return Confounding.between("orientation", orientations, "pose in the chamber", poses);
    }

    /**
     * What a chamber did to specimens that their terms do not say already: a programme on trial, another than the one that they are
     * planned after, none where one is planned, or a pose other than the programme's. Two that differ in it are not averaged.
     */
    Map<Long, String> states(Collection<SpecimenView> specimens) {
        Map<Long, Treatments.TreatmentView> planned = planned(specimens);
        Map<Long, List<ChamberView>> runsOf =
                of(specimens.stream().map(SpecimenView::lotId).distinct().toList());
        Map<Long, List<String>> states = new HashMap<>();
        for (List<ChamberView> runs : runsOf.values()) {
            for (ChamberView run : runs) {
                for (Placed placed : run.placed()) {
                    if (placed.cycle() == 1) {
                        long id = placed.specimen().id();
                        deviation(run, placed, planned.get(id))
                                .forEach(state -> states.computeIfAbsent(id, key -> new ArrayList<>())
                                        .add(state));
                    }
                }
            }
        }
        waiting(planned, runsOf).forEach((id, own) -> states.computeIfAbsent(id, key -> new ArrayList<>())
                .add("in no run of " + own.title()));
        Map<Long, String> words = new HashMap<>();
        states.forEach((id, list) -> words.put(id, String.join(", ", list)));
        return words;
    }

    /** Specimens that are planned after a programme and were in no run of it, in the order given. */
    Map<Treatments.TreatmentView, List<SpecimenView>> waiting(LotView lot, List<SpecimenView> specimens) {
        Map<Long, Treatments.TreatmentView> waiting = waiting(planned(specimens), of(List.of(lot.id())));
        Map<Treatments.TreatmentView, List<SpecimenView>> byProgramme = new LinkedHashMap<>();
        for (SpecimenView specimen : specimens) {
            Treatments.TreatmentView own = waiting.get(specimen.id());
            if (own != null) {
                byProgramme.computeIfAbsent(own, key -> new ArrayList<>()).add(specimen);
            }
        }
        return byProgramme;
    }

    /** Those of all these specimens, of whatever lots. */
    public Set<Long> waiting(Collection<SpecimenView> specimens) {
        return waiting(
                        planned(specimens),
                        of(specimens.stream()
                                .map(SpecimenView::lotId)
                                .distinct()
                                .toList()))
                .keySet();
    }

    private static Map<Long, Treatments.TreatmentView> waiting(
            Map<Long, Treatments.TreatmentView> planned, Map<Long, List<ChamberView>> runsOf) {
        Map<Long, Treatments.TreatmentView> waiting = new HashMap<>(planned);
        runsOf.values()
                .forEach(runs -> runs.forEach(run -> run.placed()
                        .forEach(placed -> waiting.computeIfPresent(
                                placed.specimen().id(),
                                (id, own) -> own.id() == run.treatment().id() ? null : own))));
        return waiting;
    }

    private static List<String> deviation(ChamberView run, Placed placed, Treatments.@Nullable TreatmentView own) {
        List<String> found = new ArrayList<>();
        boolean isOwn = own != null && own.id() == run.treatment().id();
        if (!isOwn && (own != null || run.treatment().status() == Treatments.Status.TRIAL)) {
            found.add(run.treatment().title());
        }
        if (placed.pose() != run.treatment().pose()) {
            found.add(run.treatment().kind().done() + " " + placed.pose().words());
        }
        return found;
    }

    /** The programme that specimens are planned after, where their terms name one that their product had when they were written down. */
    private Map<Long, Treatments.TreatmentView> planned(Collection<SpecimenView> specimens) {
        List<SpecimenView> after = specimens.stream()
                .filter(specimen -> !specimen.conditions().process().isEmpty())
                .toList();
        Map<Long, Long> products = lots
                .all(after.stream().map(SpecimenView::lotId).distinct().toList())
                .stream()
                .collect(Collectors.toMap(LotView::id, LotView::productId));
        Map<Long, List<Treatments.TreatmentView>> known = treatments.of(Set.copyOf(products.values()));
        Map<Long, Treatments.TreatmentView> planned = new HashMap<>();
        for (SpecimenView specimen : after) {
            known.getOrDefault(products.get(specimen.lotId()), List.of()).stream()
                    .filter(treatment ->
                            treatment.title().equals(specimen.conditions().process())
                                    && !treatment.frozenAt().isAfter(specimen.enteredAt()))
                    .findFirst()
                    .ifPresent(treatment -> planned.put(specimen.id(), treatment));
        }
        return planned;
    }
}
