package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.Owing;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.intake.MaterialResults;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Remedies;
import org.ysometron.app.make.Histories;
import org.ysometron.app.plan.Site;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Publications;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Conditions.Mismatch;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.GuardBand;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.LengthVerdict;
import org.ysometron.core.claim.Looks;
import org.ysometron.core.claim.MeanVerdict;
import org.ysometron.core.claim.RatioVerdict;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.claim.Verification;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Right;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.surprise.OddResults;

/**
 * Judges a lot's readings against its claims: the one computation that gate, page, snapshot and certificate come from.
 *
 * <p>Every set-up that was tested speaks. One of them gives the figures, the same one for a strength and the ratio made of it;
 * one that contradicts beside it is a block of its own, however small it is.
 */
@Component
class LotVerdicts {

    private final Bench bench;
    private final Lots lots;
    private final Publications publications;
    private final MaterialResults material;
    private final Provisionals provisionals;
    private final SeriesPoints series;
    private final Histories histories;
    private final Remedies remedies;
    private final TakenOut takenOut;
    private final Owing owing;
    private final Site site;
    private final Oddities oddities;
    private final PublishedRanges ranges;

    LotVerdicts(
            Bench bench,
            Lots lots,
            Publications publications,
            MaterialResults material,
            Provisionals provisionals,
            SeriesPoints series,
            Histories histories,
            Remedies remedies,
            TakenOut takenOut,
            Owing owing,
            Site site,
            Oddities oddities,
            PublishedRanges ranges) {
        this.ranges = ranges;
        this.site = site;
        this.oddities = oddities;
        this.bench = bench;
        this.lots = lots;
        this.publications = publications;
        this.material = material;
        this.provisionals = provisionals;
        this.series = series;
        this.histories = histories;
        this.remedies = remedies;
        this.takenOut = takenOut;
        this.owing = owing;
    }

    /** Everything that a lot's evidence says: its claims, what of it stands in the way, and what is said beside it. */
    record Found(List<Judgements.Detail> details, List<Block> blocks, List<String> notices) {}

    /**
     * Everything with what is odd about it.
     *
     * @param silent sets with results that do not count yet and are not looked at, each with why
     */
    record Whole(Found found, Oddities.Found oddities, List<String> silent) {}

    /** Everything, worked out anew. */
    Found of(LotView lot) {
        return whole(lot).found();
    }

    /** Everything with what is odd about it, worked out anew. */
    Whole whole(LotView lot) {
        List<SpecimenRecord> records = bench.records(lot.id());
        List<Owing.OwedView> owed = owing.of(lot, records);
        List<TakenOut.Change> changes = takenOut.of(records, owed);
        Sets sets = sets(lot, records, List.of());
        Sets first = changes.isEmpty() ? sets : sets(lot, TakenOut.asFirst(records), changes);
        GuardBand guard = site.guard(lot.madeOn());
        List<Judgements.Detail> details = publications.claims(lot.datasheetId(), lot.madeOn()).stream()
                .map(claim -> claim.guarded(guard))
                .map(claim -> detail(lot, claim, sets, changes.isEmpty() ? null : first))
                .toList();
        List<Block> blocks = new ArrayList<>();
        changes.forEach(change -> blocks.add(taken(change, details)));
        owed(owed).ifPresent(blocks::add);
        sets.tested.stream().filter(LotEvidence::speaks).forEach(set -> endings(set, details)
                .ifPresent(blocks::add));
        details.forEach(detail ->
                detail.others().forEach(other -> against(detail, other).ifPresent(blocks::add)));
        Oddities.Found odd = oddities.of(
                lot,
                sets.counted(),
                details.stream().map(Judgements.Detail::claim).toList());
        blocks.addAll(OddBlocks.of(odd, (studied, one) -> without(lot, studied, one, details)));
        return new Whole(
                new Found(details, blocks.stream().distinct().toList(), notices(lot, records)), odd, silent(sets));
    }

    private static List<String> silent(Sets sets) {
        return sets.tested.stream()
                .filter(set -> !set.speaks() && set.tested() > 0)
                .map(set ->
                        set.name() + ": " + (set.aside().isEmpty() ? String.join(" ", set.provisional()) : set.aside()))
                .toList();
    }

    /** What verdicts would be without a specimen that lies far out; empty where they would be the same. */
    private Optional<String> without(
            LotView lot, Oddities.Studied studied, OddResults.Odd odd, List<Judgements.Detail> details) {
        LotEvidence rest = studied.set().without(studied.record(odd.index()));
        String would = details.stream()
                .filter(detail -> detail.records().equals(studied.set().records()))
                .filter(detail -> detail.claim().property().isTested()
                        && !detail.claim().property().isRatio())
                .map(detail ->
                        Map.entry(detail, judgement(lot, detail.claim(), rest).verdict()))
                .filter(entry -> entry.getValue() != entry.getKey().judgement().verdict())
                .map(entry -> entry.getKey().claim().title() + " would be "
                        + entry.getValue().words())
                .collect(Collectors.joining(", "));
        return would.isEmpty() ? Optional.empty() : Optional.of(would);
    }

    /** Every claim judged anew, with the working. */
    List<Judgements.Detail> details(LotView lot) {
        return of(lot).details();
    }

    /**
     * A lot's specimens, once by what counts and once by what was measured: a size is a size, wet or dry.
     *
     * @param tested by conditions and state
     * @param measured by conditions alone
     */
    record Sets(List<LotEvidence> tested, List<LotEvidence> measured) {

        List<LotEvidence> counted() {
            return tested.stream().filter(LotEvidence::speaks).toList();
        }

        /** The set-up that gives the lot's figures: the one with most specimens tested. */
        Setup mainSetup() {
            Map<Setup, Integer> tested = new LinkedHashMap<>();
            counted().forEach(set -> tested.merge(set.setup(), set.tested(), Integer::sum));
            return tested.entrySet().stream()
                    .max(Map.Entry.comparingByValue())
                    .map(Map.Entry::getKey)
                    .orElse(Setup.NONE);
        }
    }

    Sets sets(LotView lot) {
        return sets(lot, bench.records(lot.id()), List.of());
    }

    private Sets sets(LotView lot, List<SpecimenRecord> records, List<TakenOut.Change> undone) {
        Set<Long> without = undone.stream().map(TakenOut.Change::rework).collect(Collectors.toSet());
        Map<Long, String> states =
                histories.states(records.stream().map(SpecimenRecord::specimen).toList(), without);
        Set<Long> givenUp = histories.givenUp(
                records.stream().map(record -> record.specimen().id()).toList(), without);
        // Should one that was given up turn up and be tested, its result counts as any other.
        List<SpecimenRecord> owed = SpecimenRecord.owed(records, givenUp);
        return new Sets(
                LotEvidence.of(
                        owed,
                        provisionals.reasons(lot, records),
                        states,
                        Rounds.of(records, remedies.of(List.of(lot.id())))),
                LotEvidence.ofSizes(records));
    }

    // ---- judging -----------------------------------------------------------------------------------------------

    private Judgements.Detail detail(LotView lot, Claim claim, Sets sets, @Nullable Sets first) {
        Judgements.Detail detail = detail(lot, claim, sets);
        return first == null
                ? detail
                : detail.withFirst(detail(lot, claim, first).judgement());
    }

    private Judgements.Detail detail(LotView lot, Claim claim, Sets sets) {
        if (!claim.property().isMechanical()) {
            return Judgements.Detail.plain(claim, ofMaterial(lot, claim), List.of(), usual(lot, claim));
        }
        if (claim.property().isRatio()) {
            return ratio(lot, claim, sets);
        }
        boolean size = !claim.property().isTested();
        List<LotEvidence> candidates = size ? sets.measured : sets.tested;
        Predicate<LotEvidence> speaks = set -> set.speaks()
                && set.evidence(claim.property(), Optional.empty()).isTouched()
                && claim.conditions().compare(set.conditions()).stream().noneMatch(Mismatch::blocking);
        Optional<LotEvidence> main = governing(
                candidates.stream()
                        .filter(set -> isOriented(claim, set))
                        .filter(speaks)
                        .toList(),
                claim,
                sets.mainSetup(),
                lot);
        if (main.isEmpty()) {
            return unsettled(lot, claim, candidates);
        }
        LotEvidence set = main.get();
        List<Judgements.Other> others = candidates.stream()
                .filter(other -> !other.equals(set) && isOriented(claim, other))
                .filter(other ->
                        other.evidence(claim.property(), Optional.empty()).isTouched())
                .filter(other -> speaks.test(other) || !other.aside().isEmpty())
                .map(other -> new Judgements.Other(
                        "claim-" + claim.id() + "-" + other.subject(),
                        other.name(),
                        judgement(lot, claim, other),
                        other.aside()))
                .toList();
        return whole(lot, claim, set, withFirstLook(lot, claim, set, others));
    }

    /** Beside the other sets what the lot's own said before more was added to it. */
    private List<Judgements.Other> withFirstLook(
            LotView lot, Claim claim, LotEvidence set, List<Judgements.Other> others) {
        Optional<LotEvidence> first = claim.property().isTested() ? set.firstLook() : Optional.empty();
        List<Judgements.Other> all = new ArrayList<>(others);
        first.ifPresent(look -> all.add(new Judgements.Other(
                "claim-" + claim.id() + "-look-" + look.subject(),
                look.name() + ", before more were added",
                judgement(lot, claim, look),
                "")));
        return List.copyOf(all);
    }

    private static boolean isOriented(Claim claim, LotEvidence set) {
        return set.conditions().orientation() == claim.conditions().orientation();
    }

    /** Of the sets that may speak: the nearest terms, the main set-up, the larger; where the worse is to count, the worse. */
    private Optional<LotEvidence> governing(List<LotEvidence> sets, Claim claim, Setup setup, LotView lot) {
        if (sets.stream().anyMatch(LotEvidence::worseCounts)) {
            return sets.stream()
                    .min(Comparator.comparingInt((LotEvidence set) -> severity(judgement(lot, claim, set)))
                            .thenComparing(set -> -set.tested()));
        }
        return sets.stream()
                .min(Comparator.comparingInt(
                                (LotEvidence set) -> weight(claim.conditions().compare(set.conditions())))
                        .thenComparing(set -> !set.setup().equals(setup))
                        .thenComparing(set -> -set.tested()));
    }

    private static int severity(Judgement judgement) {
        return switch (judgement.verdict()) {
            case CONTRADICTED -> 0;
            case OPEN, NOT_TESTED, NOT_COMPARABLE -> 1;
            case SUPPORTED -> 2;
        };
    }

    /** Nothing speaks: what there is is not comparable, provisional, or not there. */
    private Judgements.Detail unsettled(LotView lot, Claim claim, List<LotEvidence> candidates) {
        Optional<LotEvidence> best = candidates.stream()
                .filter(set -> isOriented(claim, set) && set.aside().isEmpty() && gives(set, claim.property()))
                .min(Comparator.comparingInt((LotEvidence set) ->
                                2 * weight(claim.conditions().compare(set.conditions())) + (set.counts() ? 0 : 1))
                        .thenComparing(set -> -set.tested()));
        if (best.isEmpty()) {
            Judgement none = MeanVerdict.of(claim.requirement(), Evidence.of());
            return Judgements.Detail.plain(claim, none, List.of(), usual(lot, claim));
        }
        return whole(lot, claim, best.get(), List.of());
    }

    /** Whether a set's method can give what is claimed: what cannot is no lesser evidence of it, but none. */
    private static boolean gives(LotEvidence set, Characteristic property) {
        return property.source() != Characteristic.Source.METHOD
                || property.isRatio()
                || Methods.of(set.conditions().method())
                        .filter(method -> method.data().characteristics().stream()
                                .anyMatch(one -> one.id().equals(property.id())))
                        .isPresent();
    }

    private Judgements.Detail whole(LotView lot, Claim claim, LotEvidence set, List<Judgements.Other> others) {
        List<SeriesPoints.PointView> earlier = series.before(lot, claim.property(), set.conditions(), set.setup());
        List<Mismatch> mismatches = claim.conditions().compare(set.conditions());
        boolean rival = claim.form() == Form.BETTER_THAN;
        return new Judgements.Detail(
                claim,
                judgement(lot, claim, set),
                set.records(),
                rival ? List.of() : earlier,
                mismatches,
                set.setup(),
                others,
                null,
                withAll(claim, set));
    }

    private Judgement judgement(LotView lot, Claim claim, LotEvidence set) {
        List<Mismatch> mismatches = claim.conditions().compare(set.conditions());
        Evidence evidence = set.evidence(
                claim.property(),
                series.pooledScatter(series.before(lot, claim.property(), set.conditions(), set.setup()))
                        .map(known -> site.pools(lot.madeOn()) ? known.carrying() : known));
        boolean blocked = mismatches.stream().anyMatch(Mismatch::blocking);
        Judgement judgement = blocked && evidence.n() > 0
                ? Verification.notComparable(mismatches, evidence.excluded())
                : Verification.indicative(judge(claim, evidence, looks(lot, claim, set)), mismatches);
        if (judgement.verdict() == Verdict.NOT_TESTED && judgement.excluded() == 0) {
            Optional<String> why = whyNoFigure(claim, set);
            if (why.isPresent()) {
                return Verification.withoutFigure(set.tested(), why.get());
            }
        }
        boolean strength = claim.property().isTested();
        return provisional(strength ? Verification.unfinished(judgement, set.untested()) : judgement, set);
    }

    /** Why specimens that were tested give no figure of what is claimed; empty where none was, or one does. */
    private static Optional<String> whyNoFigure(Claim claim, LotEvidence set) {
        return set.records().stream()
                .filter(SpecimenRecord::isTested)
                .flatMap(record -> record.result(claim.property()).stream())
                .filter(result -> result.value().isEmpty() && !result.reason().isBlank())
                .map(Reduced::reason)
                .findFirst();
    }

    /** Looks planned for the lot, and those taken before this one at which the claim could have been supported. */
    private Looks looks(LotView lot, Claim claim, LotEvidence set) {
        // Where earlier lots may carry it, a look below the claim's least could have supported it as well.
        int least =
                site.pools(lot.madeOn()) ? 2 : Math.max(2, claim.requirement().minimumN());
        int[] sizes = claim.property().isTested() ? set.earlierLooks(claim.property()) : new int[0];
        return new Looks(
                site.looks(lot.madeOn()),
                Arrays.stream(sizes).filter(size -> size >= least).distinct().toArray());
    }

    /** What the verdict would be with every load counted as a value, where some do not count; null where all do. */
    private @Nullable Judgement withAll(Claim claim, LotEvidence set) {
        return claim.property().isTested()
                        && set.evidence(claim.property(), Optional.empty()).excluded() > 0
                ? judge(claim, set.withEveryEnd(claim.property()), Looks.ONCE)
                : null;
    }

    /** The lots before on the series that the claim's terms have most lots on. */
    private List<SeriesPoints.PointView> usual(LotView lot, Claim claim) {
        return series.before(lot, claim.property(), claim.conditions());
    }

    /** What of a lot was tested under one claim's terms but in another set-up, and so is not in its verdict. */
    List<Apart> apart(LotView lot) {
        List<Apart> apart = new ArrayList<>();
        Map<Conditions, List<LotEvidence>> byTerms = new LinkedHashMap<>();
        sets(lot).tested.stream().filter(set -> set.tested() > 0).forEach(set -> byTerms.computeIfAbsent(
                        set.conditions(), key -> new ArrayList<>())
                .add(set));
        byTerms.forEach((conditions, list) -> {
            if (list.size() > 1) {
                apart.add(Apart.of(conditions, list));
            }
        });
        return apart;
    }

    /** What of a lot was tested and is claimed by nobody. */
    List<Unclaimed> unclaimed(LotView lot, List<Judgements.Detail> claimed) {
        return sets(lot).tested.stream()
                .filter(set -> set.tested() > 0)
                .flatMap(set -> Unclaimed.of(set, claimed).stream())
                .toList();
    }

    private Judgement judge(Claim claim, Evidence evidence, Looks looks) {
        return claim.form() == Form.BETTER_THAN
                ? better(claim, evidence, looks)
                : MeanVerdict.of(claim.requirement(), evidence, looks);
    }

    /**
     * Better than another product: its lots were measured on other days and with gauges that its series do not keep, so nothing
     * of the calibration is taken to cancel, and theirs to be as uncertain as this lot's.
     */
    private Judgement better(Claim claim, Evidence evidence, Looks looks) {
        Evidence rival = rival(claim);
        double level = Arrays.stream(evidence.values()).average().orElse(0);
        double relative = level > 0 ? evidence.calibrationUncertainty() / level : 0;
        int[] together =
                Arrays.stream(looks.earlier()).map(own -> own + rival.n()).toArray();
        return RatioVerdict.of(
                claim.requirement(), evidence, rival, Math.sqrt(2) * relative, new Looks(looks.planned(), together));
    }

    /** The other product's lots under the same conditions: each lot's mean is one value, so lots are what is counted. */
    private Evidence rival(Claim claim) {
        if (claim.rivalId() == null) {
            return Evidence.of();
        }
        List<SeriesPoints.PointView> newest = series.newestOfLongest(series.ofProduct(claim.rivalId()).stream()
                .filter(view -> view.property().equals(claim.property())
                        && view.conditions().equals(claim.conditions()))
                .toList());
        return Evidence.of(
                newest.stream().mapToDouble(SeriesPoints.PointView::mean).toArray());
    }

    private static Judgement provisional(Judgement judgement, LotEvidence... sets) {
        List<String> reasons = Stream.of(sets)
                .filter(set -> !set.counts())
                .flatMap(set -> set.provisional().stream())
                .distinct()
                .toList();
        return reasons.isEmpty() || judgement.n() == 0 ? judgement : Verification.provisional(judgement, reasons);
    }

    /** Claims on the material itself: by a log where there is one, else by the determinations or places measured. */
    private Judgement ofMaterial(LotView lot, Claim claim) {
        Requirement requirement = claim.requirement();
        List<MaterialResults.Result> results = material.of(lot).stream()
                .filter(result -> result.property().equals(claim.property()))
                .toList();
        Optional<MaterialResults.Result> log = results.stream()
                .filter(result -> result.shareOutside().isPresent())
                .findFirst();
        if (log.isPresent()) {
            double outside = material.shareOutside(
                    lot,
                    claim.property(),
                    requirement.lower().orElse(Double.NEGATIVE_INFINITY),
                    requirement.upper().orElse(Double.POSITIVE_INFINITY));
            return LengthVerdict.ofLog(
                    requirement, log.get().values(), outside, log.get().counts());
        }
        if (claim.isOfEveryPart()) {
            return results.stream()
                    .findFirst()
                    .map(result ->
                            LengthVerdict.ofPlaces(requirement, Evidence.of(result.places()), result.values().length))
                    .orElseGet(() -> MeanVerdict.of(requirement, Evidence.of()));
        }
        return MeanVerdict.of(
                requirement,
                Evidence.of(results.stream()
                        .findFirst()
                        .map(MaterialResults.Result::values)
                        .orElse(new double[0])));
    }

    private static int weight(List<Mismatch> mismatches) {
        return mismatches.stream().mapToInt(m -> m.blocking() ? 10 : 1).sum();
    }

    /** A ratio is made of the specimens that give the two strengths: both sides from one set-up. */
    private Judgements.Detail ratio(LotView lot, Claim claim, Sets sets) {
        Conditions upright = claim.conditions();
        Conditions flat = claim.below();
        Map<Setup, LotEvidence> above = bySetup(sets, upright);
        Map<Setup, LotEvidence> below = bySetup(sets, flat);
        Setup main = sets.mainSetup();
        Comparator<Setup> nearer = Comparator.comparing(
                        (Setup setup) -> !(below.containsKey(setup) && above.containsKey(setup)))
                .thenComparing(setup -> !setup.equals(main))
                .thenComparing(setup -> -size(above.get(setup)) - size(below.get(setup)));
        Setup setup = java.util.stream.Stream.concat(above.keySet().stream(), below.keySet().stream())
                .min(nearer)
                .orElse(main);
        List<Judgements.Other> others = above.keySet().stream()
                .filter(other -> !other.equals(setup) && below.containsKey(other))
                .map(other -> {
                    LotEvidence set = java.util.Objects.requireNonNull(above.get(other));
                    return new Judgements.Other(
                            "claim-" + claim.id() + "-" + set.subject(),
                            set.name(),
                            ratio(lot, claim, set, java.util.Objects.requireNonNull(below.get(other))),
                            "");
                })
                .toList();
        LotEvidence ups = above.getOrDefault(setup, LotEvidence.none(upright, setup));
        LotEvidence flats = below.getOrDefault(setup, LotEvidence.none(flat, setup));
        List<SpecimenRecord> both = new ArrayList<>(ups.records());
        both.addAll(flats.records());
        return new Judgements.Detail(
                claim,
                ratio(lot, claim, ups, flats),
                both,
                usual(lot, claim),
                List.of(),
                setup,
                withFirstLook(lot, claim, ups, flats, others),
                null,
                null);
    }

    /** Beside the other set-ups' ratios what this one's said before specimens were added on either side. */
    private List<Judgements.Other> withFirstLook(
            LotView lot, Claim claim, LotEvidence ups, LotEvidence flats, List<Judgements.Other> others) {
        Optional<LotEvidence> up = ups.firstLook();
        Optional<LotEvidence> down = flats.firstLook();
        if (up.isEmpty() && down.isEmpty()) {
            return others;
        }
        LotEvidence firstUps = up.orElse(ups);
        LotEvidence firstFlats = down.orElse(flats);
        if (firstUps.records().isEmpty() || firstFlats.records().isEmpty()) {
            return others;
        }
        List<Judgements.Other> all = new ArrayList<>(others);
        all.add(new Judgements.Other(
                "claim-" + claim.id() + "-look-" + firstUps.subject() + "-" + firstFlats.subject(),
                firstUps.name() + " over " + firstFlats.name() + ", before more were added",
                ratio(lot, claim, firstUps, firstFlats),
                ""));
        return List.copyOf(all);
    }

    private static int size(@Nullable LotEvidence set) {
        return set == null ? 0 : set.tested();
    }

    /** The sets under exactly these conditions by set-up: one that counts before one that does not. */
    private static Map<Setup, LotEvidence> bySetup(Sets sets, Conditions conditions) {
        Map<Setup, LotEvidence> found = new LinkedHashMap<>();
        sets.tested.stream()
                .filter(set ->
                        set.conditions().equals(conditions) && set.aside().isEmpty() && set.tested() > 0)
                .sorted(Comparator.comparing((LotEvidence set) -> !set.counts()).thenComparing(set -> -set.tested()))
                .forEach(set -> found.putIfAbsent(set.setup(), set));
        return found;
    }

    private Judgement ratio(LotView lot, Claim claim, LotEvidence ups, LotEvidence flats) {
        Characteristic base = Characteristics.base(claim.property());
        Evidence above = ups.evidence(base, Optional.empty());
        Evidence below = flats.evidence(base, Optional.empty());
        Judgement judgement = RatioVerdict.of(
                claim.requirement(),
                above,
                below,
                LotEvidence.calibrationBetween(ups.records(), flats.records()),
                ratioLooks(
                        lot,
                        claim,
                        new Side(ups.earlierLooks(base), above.n()),
                        new Side(flats.earlierLooks(base), below.n())));
        return provisional(Verification.unfinished(judgement, ups.untested() + flats.untested()), ups, flats);
    }

    /** Specimens of one side of a ratio at each look before this one, and now. */
    private record Side(int[] earlier, int now) {

        int at(int look) {
            return look < earlier.length ? earlier[look] : now;
        }
    }

    /** Looks that either side had, where both had the claim's least number; they count the specimens of both. */
    private Looks ratioLooks(LotView lot, Claim claim, Side ups, Side flats) {
        int least = Math.max(2, claim.requirement().minimumN());
        int[] sizes = IntStream.range(0, Math.max(ups.earlier.length, flats.earlier.length))
                .filter(look -> Math.min(ups.at(look), flats.at(look)) >= least)
                .map(look -> ups.at(look) + flats.at(look))
                .distinct()
                .toArray();
        return new Looks(site.looks(lot.madeOn()), sizes);
    }

    // ---- what of the evidence stands in the way ----------------------------------------------------------------

    private static Block taken(TakenOut.Change change, List<Judgements.Detail> details) {
        String would = details.stream()
                .filter(detail -> detail.asFirst() != null
                        && detail.asFirst().verdict() != detail.judgement().verdict())
                .map(detail -> detail.claim().title() + " would be "
                        + detail.asFirst().verdict().words())
                .collect(Collectors.joining(", "));
        return new Block(
                Block.Kind.TAKEN_OUT,
                change.words() + " As first entered: " + (would.isEmpty() ? "the same verdicts" : would) + ".",
                Right.JUDGEMENT,
                "Another account with judgement looks at it and gives a word with the cause, or the lot is tested again.",
                change.subject());
    }

    private static Optional<Block> owed(List<Owing.OwedView> all) {
        Map<String, String> owed = all.stream()
                .filter(view -> !view.isWaived())
                .collect(Collectors.groupingBy(
                        Owing.OwedView::words,
                        LinkedHashMap::new,
                        Collectors.mapping(Owing.OwedView::specimen, Collectors.joining(", "))));
        return owed.isEmpty()
                ? Optional.empty()
                : Optional.of(new Block(
                        Block.Kind.READING_OWED,
                        "Still to be fetched after their tests: "
                                + owed.entrySet().stream()
                                        .map(field -> field.getKey() + " of " + field.getValue())
                                        .collect(Collectors.joining("; "))
                                + ".",
                        Right.ENTRY,
                        "Type them at the bench, or waive them there with a reason."));
    }

    private static Optional<Block> endings(LotEvidence set, List<Judgements.Detail> details) {
        if (set.excluded() * LotEvidence.ENDINGS_ASKED < set.tested() + 1 || set.excluded() == 0) {
            return Optional.empty();
        }
        String would = details.stream()
                .filter(detail -> detail.withAll() != null
                        && detail.records().equals(set.records())
                        && detail.withAll().verdict() != detail.judgement().verdict())
                .map(detail -> detail.claim().title() + " would be "
                        + detail.withAll().verdict().words())
                .collect(Collectors.joining(", "));
        return Optional.of(new Block(
                Block.Kind.ENDINGS,
                set.excluded() + " of " + set.tested() + " specimens (" + set.name() + ") ended in a way that does not"
                        + " count: " + set.excludedWords() + ". With their loads counted: "
                        + (would.isEmpty() ? "the same verdict" : would) + ".",
                Right.JUDGEMENT,
                "More than one in five asks for a retest. Order one, or give a word with the cause.",
                "endings-" + set.subject() + "-" + set.excluded()));
    }

    private static Optional<Block> against(Judgements.Detail detail, Judgements.Other other) {
        boolean contradicts = other.judgement().verdict() == Verdict.CONTRADICTED
                && other.aside().isEmpty()
                && detail.judgement().verdict() != Verdict.CONTRADICTED;
        return contradicts
                ? Optional.of(new Block(
                        Block.Kind.OTHER_SETUP,
                        detail.claim().title() + ": contradicted by " + other.name() + " (n = "
                                + other.judgement().n() + "). "
                                + other.judgement().reason(),
                        Right.JUDGEMENT,
                        "Answer it with the cause for which that set does not speak of the material; a larger set does"
                                + " not outvote it.",
                        other.subject()))
                : Optional.empty();
    }

    private List<String> notices(LotView lot, List<SpecimenRecord> records) {
        List<String> notices = new ArrayList<>();
        for (Remedies.RemedyView remedy : remedies.of(List.of(lot.id()))) {
            notices.add(remedy.kind().words() + ", ordered by " + remedy.by() + ": " + remedy.reason()
                    + (remedy.cause() == null
                            ? ""
                            : " (cause: " + remedy.cause().words() + ")")
                    + (remedy.kind() == Remedies.Kind.RETEST
                            ? "; " + remedy.rule().words()
                            : "") + ".");
        }
        switch (site.guard(lot.madeOn())) {
            case ONE_SIDED -> {}
            case EXPANDED ->
                notices.add(
                        "This site accepts claims about a mean with a guard band of U, two standard uncertainties: its bounds"
                                + " stand at 97.7 %, all planned looks together (ISO 14253-1, JCGM 106).");
            case NONE ->
                notices.add(
                        "This site accepts claims about a mean as measured, without a guard band: on a claim's edge such a"
                                + " verdict is wrong as often as right (simple acceptance, JCGM 106).");
        }
        notices.addAll(lots.furtherLooks(lot.id()));
        notices.addAll(takenOut.givenUpBefore(records));
        notices.addAll(ranges.contradicted(lot, records));
        bench.outOfCalibration(List.of(lot)).getOrDefault(lot.id(), Set.of()).stream()
                .filter(out -> !out.blocks())
                .forEach(out ->
                        notices.add(out.words() + ": this site has it noted here and blocks no release for it."));
        return notices;
    }
}
