package org.ysometron.app.plan;

import java.time.Clock;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.plan.LotSteps;
import org.ysometron.core.plan.LotSteps.Station;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.Schedule;
import org.ysometron.core.publication.Family;

/** When the steps of lots can be done on what the site has, and which of them decide the release. */
@Component
public class Calendar {

    private static final Logger LOG = LoggerFactory.getLogger(Calendar.class);

    private final Plans plans;
    private final Lots lots;
    private final Products products;
    private final Publications publications;
    private final Instruments instruments;
    private final Treatments treatments;
    private final Recipes recipes;
    private final Needs needs;
    private final Site site;
    private final Progress progress;
    private final Clock clock;

    Calendar(
            Plans plans,
            Lots lots,
            Products products,
            Publications publications,
            Instruments instruments,
            Treatments treatments,
            Recipes recipes,
            Needs needs,
            Site site,
            Progress progress,
            Clock clock) {
        this.plans = plans;
        this.lots = lots;
        this.products = products;
        this.publications = publications;
        this.instruments = instruments;
        this.treatments = treatments;
        this.recipes = recipes;
        this.needs = needs;
        this.site = site;
        this.progress = progress;
        this.clock = clock;
    }

    /**
     * What would happen if.
     *
     * @param lotId the lot concerned
     * @param days working goes on so many days later
     * @param again so many specimens of every line are made and tested again
     */
    public record WhatIf(long lotId, int days, int again) {

        /** Everything goes on as planned. */
        public static final WhatIf NOTHING = new WhatIf(0, 0, 0);
    }

    /**
     * One lot's forecast.
     *
     * @param release when it can be decided at the earliest
     * @param chain keys of the steps that decide it
     * @param lateDays days after the wanted date; 0 when in time or none is wanted
     */
    public record Forecast(LotView lot, LocalDateTime release, List<String> chain, long lateDays) {}

    /**
     * A plan of several lots.
     *
     * @param now when it was made
     * @param machines names of the machines at each station; none where nothing is registered
     * @param places how many steps each machine holds
     * @param events what ends or is to be read at a known time, by lot
     * @param broken lots that cannot be planned, with what is wrong with them; the others are planned all the same
     */
    public record Board(
            LocalDateTime now,
            Schedule.Plan plan,
            Map<Long, Forecast> forecasts,
            Map<Station, List<String>> machines,
            Map<String, Integer> places,
            Map<LotView, List<Progress.Event>> events,
            Map<LotView, String> broken) {}

    /** Every undecided lot that has a plan. */
    @Transactional(readOnly = true)
    public Optional<Board> all() {
        return board(lots.undecided(), WhatIf.NOTHING);
    }

    /** All undecided lots, with this one changed as asked. */
    @Transactional(readOnly = true)
    public Optional<Board> all(WhatIf whatIf) {
        return board(lots.undecided(), whatIf);
    }

    /**
     * The latest morning on which the steps that are left can begin for the release to be in time, when nothing else stands
     * on the machines; empty when no day is wanted, or every one is too late.
     */
    @Transactional(readOnly = true)
    public Optional<LocalDateTime> latestStart(LotView lot) {
        Optional<Plans.LotPlanView> copy = plans.ofLot(lot.id());
        if (copy.isEmpty() || copy.get().wantedOn() == null) {
            return Optional.empty();
        }
        LocalDateTime now = LocalDateTime.now(clock).truncatedTo(ChronoUnit.MINUTES);
        Products.ProductView product = products.product(lot.productId());
        LotSteps steps = steps(
                lot,
                product,
                needs.of(product),
                copy.get(),
                lots.specimens(lot.id()),
                progress.of(List.of(lot)).getOrDefault(lot.id(), Progress.Done.NOTHING),
                0,
                Station.PRINTER.words(),
                now);
        LocalDateTime wanted =
                require(copy.get().wantedOn()).atTime(site.values().hours().ends());
        long days = ChronoUnit.DAYS.between(now.toLocalDate(), wanted.toLocalDate());
        if (days < 0) {
            return Optional.empty();
        }
        Map<String, LocalDateTime> notBefore = new HashMap<>();
        if (copy.get().notBefore() != null) {
            LocalDateTime hold = require(copy.get().notBefore()).atStartOfDay();
            steps.jobs().forEach(job -> notBefore.put(job.id(), hold));
        }
        return Schedule.backwards(
                        steps.jobs(),
                        new Schedule.Ground(
                                capacities(machines()), site.values().hours(), steps.running(), notBefore),
                        wanted,
                        (int) days)
                .flatMap(plan -> plan.slots().stream()
                        .filter(slot -> steps.jobs().contains(slot.job()))
                        .map(Schedule.Slot::start)
                        .min(LocalDateTime::compareTo))
                .filter(start -> !start.isBefore(now));
    }

    private static Map<String, Integer> capacities(Map<Station, List<InstrumentView>> machines) {
        Map<String, Integer> capacities = new HashMap<>();
        machines.forEach((station, list) -> capacities.put(
                station.words(),
                Math.max(1, list.stream().mapToInt(m -> m.facts().places()).sum())));
        machines.getOrDefault(Station.PRINTER, List.of())
                .forEach(printer ->
                        capacities.put(printer.name(), printer.facts().places()));
        return capacities;
    }

    private Optional<Board> board(List<LotView> wanted, WhatIf whatIf) {
        LocalDateTime now = LocalDateTime.now(clock).truncatedTo(ChronoUnit.MINUTES);
        Map<Long, Plans.LotPlanView> copies =
                plans.ofLots(wanted.stream().map(LotView::id).toList());
        List<LotView> planned =
                wanted.stream().filter(lot -> copies.containsKey(lot.id())).toList();
        if (planned.isEmpty()) {
            return Optional.empty();
        }
        Map<Long, Progress.Done> done = progress.of(planned);
        Map<Long, List<SpecimenView>> specimens = new HashMap<>();
        lots.specimensOf(planned.stream().map(LotView::id).toList()).forEach(specimen -> specimens
                .computeIfAbsent(specimen.lotId(), id -> new ArrayList<>())
                .add(specimen));
        // Read together for all of them; asked for one product at a time below.
        Set<Long> made = planned.stream().map(LotView::productId).collect(Collectors.toSet());
        recipes.of(made);
        treatments.of(made);
        products.all(made);
        publications.prepare(made, List.of());
        List<Schedule.Job> jobs = new ArrayList<>();
        List<Schedule.Running> running = new ArrayList<>();
        Map<String, LocalDateTime> notBefore = new HashMap<>();
        Map<Station, List<InstrumentView>> machines = machines();
        Map<String, Long> busy = new HashMap<>();
        require(machines.get(Station.PRINTER)).forEach(printer -> busy.put(printer.name(), 0L));
        Map<Long, Products.ProductView> known = new HashMap<>();
        Map<Long, Needs.Ground> grounds = new HashMap<>();
        Map<LotView, String> broken = new LinkedHashMap<>();
        for (LotView lot : planned) {
            try {
                Products.ProductView product = known.computeIfAbsent(lot.productId(), products::product);
                Needs.Ground ground = grounds.computeIfAbsent(lot.productId(), id -> needs.of(product));
                Plans.LotPlanView copy = require(copies.get(lot.id()));
                boolean asked = whatIf.lotId() == lot.id();
                LotSteps steps = steps(
                        lot,
                        product,
                        ground,
                        copy,
                        specimens.getOrDefault(lot.id(), List.of()),
                        done.getOrDefault(lot.id(), Progress.Done.NOTHING),
                        asked ? whatIf.again() : 0,
                        printer(product.id(), busy),
                        now);
                steps.jobs().stream()
                        .filter(job -> busy.containsKey(job.resource()))
                        .forEach(job -> busy.merge(job.resource(), job.minutes(), Long::sum));
                // Alone first: what cannot be planned by itself must not take the other lots' plans with it.
                Schedule.forwards(
                        steps.jobs(),
                        new Schedule.Ground(capacities(machines), site.values().hours(), steps.running(), Map.of()),
                        now);
                jobs.addAll(steps.jobs());
                running.addAll(steps.running());
                LocalDateTime hold =
                        copy.notBefore() == null ? now : copy.notBefore().atStartOfDay();
                LocalDateTime begins = asked ? later(hold, now).plusDays(whatIf.days()) : hold;
                if (begins.isAfter(now)) {
                    steps.jobs().forEach(job -> notBefore.put(job.id(), begins));
                }
            } catch (DataAccessException away) {
                throw away;
            } catch (RuntimeException wrong) {
                LOG.error("lot {} cannot be planned", lot.code(), wrong);
                broken.put(lot, String.valueOf(wrong.getMessage()));
            }
        }
        planned = planned.stream().filter(lot -> !broken.containsKey(lot)).toList();
        Schedule.Plan plan = Schedule.forwards(
                jobs, new Schedule.Ground(capacities(machines), site.values().hours(), running, notBefore), now);
        return Optional.of(new Board(
                now,
                plan,
                forecasts(planned, copies, plan),
                names(machines),
                places(machines),
                events(planned, done),
                broken));
    }

    /** Of the printers that have a recipe for the product the one with the least to do; any when no recipe says. */
    private String printer(long productId, Map<String, Long> busy) {
        return recipes.inForce(productId).stream()
                .map(Recipes.RecipeView::printer)
                .min(java.util.Comparator.comparing((String name) -> busy.getOrDefault(name, 0L))
                        .thenComparing(name -> name))
                .orElse(Station.PRINTER.words());
    }

    private static LocalDateTime later(LocalDateTime one, LocalDateTime other) {
        return one.isAfter(other) ? one : other;
    }

    private LotSteps steps(
            LotView lot,
            Products.ProductView product,
            Needs.Ground ground,
            Plans.LotPlanView copy,
            List<SpecimenView> specimens,
            Progress.Done done,
            int again,
            String printer,
            LocalDateTime now) {
        Site.Values values = site.values();
        List<PlannedTest> tests = copy.lines().stream()
                .filter(line -> !line.leftOut())
                .map(line -> raised(line.test(), again))
                .toList();
        Map<Integer, Treatments.TreatmentView> annealed = treatments.annealing(product.id(), tests);
        List<LotSteps.Line> lines = new ArrayList<>();
        for (int i = 0; i < tests.size(); i++) {
            lines.add(line(tests.get(i), annealed.get(i), ground, product, specimens, done));
        }
        return LotSteps.of(
                lot.code(),
                done.dry(),
                product.family() == Family.RESIN,
                lines,
                new LotSteps.Durations(
                        values.minutes(Setting.DRYING),
                        values.minutes(Setting.CURE),
                        product.conditioningHours(),
                        values.minutes(Setting.DECIDE)),
                printer,
                now);
    }

    private static PlannedTest raised(PlannedTest test, int again) {
        return again == 0 ? test : test.of(test.n() + again);
    }

    private static LotSteps.Line line(
            PlannedTest test,
            Treatments.@Nullable TreatmentView annealed,
            Needs.Ground ground,
            Products.ProductView product,
            List<SpecimenView> specimens,
            Progress.Done done) {
        List<SpecimenView> own = specimens.stream()
                .filter(specimen -> specimen.conditions().equals(test.conditions()))
                .filter(specimen -> done.countsOn(specimen.id()))
                .toList();
        int missing = Math.max(0, test.n() - own.size());
        long minutes =
                missing == 0 ? 0 : ground.budget(List.of(test.of(missing))).printMinutes();
        // What weighings made ready early counts as if it had gone in earlier.
        Optional<LocalDateTime> conditioned = own.stream()
                .filter(specimen -> specimen.conditionedFrom() != null)
                .map(specimen -> Optional.ofNullable(done.ready().get(specimen.setId()))
                        .map(ready -> ready.minusMinutes(Math.round(product.conditioningHours() * 60)))
                        .orElse(specimen.conditionedFrom()))
                .max(LocalDateTime::compareTo);
        Optional<LocalDateTime> begun = own.stream()
                .flatMap(specimen -> Optional.ofNullable(done.begun().get(specimen.id())).stream())
                .min(LocalDateTime::compareTo);
        int tested = (int) own.stream()
                .filter(specimen -> done.tested().contains(specimen.id()))
                .count();
        int untreated = (int) own.stream()
                .filter(specimen -> done.untreated().contains(specimen.id())
                        && !done.tested().contains(specimen.id()))
                .count();
        List<Long> steps = annealed == null ? List.of() : annealed.stepMinutes();
        return new LotSteps.Line(test, own.size(), tested, minutes, steps, untreated, conditioned, begun);
    }

    private static Map<Long, Forecast> forecasts(
            List<LotView> planned, Map<Long, Plans.LotPlanView> copies, Schedule.Plan plan) {
        Map<Long, Forecast> forecasts = new LinkedHashMap<>();
        for (LotView lot : planned) {
            String last = LotSteps.decisionOf(lot.code());
            LocalDateTime release = plan.slot(last).end();
            Plans.LotPlanView copy = require(copies.get(lot.id()));
            long late = copy.wantedOn() == null
                    ? 0
                    : Math.max(0, ChronoUnit.DAYS.between(copy.wantedOn(), release.toLocalDate()));
            forecasts.put(lot.id(), new Forecast(lot, release, plan.chainTo(last), late));
        }
        return forecasts;
    }

    private Map<Station, List<InstrumentView>> machines() {
        Map<Station, List<InstrumentView>> byStation = new LinkedHashMap<>();
        for (Station station : Station.values()) {
            byStation.put(station, new ArrayList<>());
        }
        instruments.all().forEach(instrument -> instrument.kind().station().ifPresent(station -> require(
                        byStation.get(station))
                .add(instrument)));
        return byStation;
    }

    private static Map<Station, List<String>> names(Map<Station, List<InstrumentView>> machines) {
        Map<Station, List<String>> names = new LinkedHashMap<>();
        machines.forEach((station, list) ->
                names.put(station, list.stream().map(InstrumentView::name).toList()));
        return names;
    }

    private static Map<String, Integer> places(Map<Station, List<InstrumentView>> machines) {
        Map<String, Integer> places = new HashMap<>();
        machines.values()
                .forEach(
                        list -> list.forEach(m -> places.put(m.name(), m.facts().places())));
        return places;
    }

    private static Map<LotView, List<Progress.Event>> events(List<LotView> planned, Map<Long, Progress.Done> done) {
        Map<LotView, List<Progress.Event>> events = new LinkedHashMap<>();
        for (LotView lot : planned) {
            events.put(lot, done.getOrDefault(lot.id(), Progress.Done.NOTHING).events());
        }
        return events;
    }

    /** Stations at which nothing is registered although a step of the plan stands there. */
    public List<String> wanting(Board board) {
        Set<String> used = new HashSet<>();
        board.plan().slots().forEach(slot -> used.add(slot.job().resource()));
        return board.machines().entrySet().stream()
                .filter(entry -> used.contains(entry.getKey().words())
                        && entry.getValue().isEmpty())
                .map(entry -> entry.getKey().words())
                .toList();
    }

    private static <T> T require(@Nullable T value) {
        if (value == null) {
            throw new IllegalStateException("a lot of the calendar has no plan");
        }
        return value;
    }
}
