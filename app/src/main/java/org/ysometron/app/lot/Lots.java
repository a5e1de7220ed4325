package org.ysometron.app.lot;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Component;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.material.Blend;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;
import org.ysometron.core.publication.Publication;

/** Lots and their specimens. */
@Component
public class Lots {

    /** Pages of a list that can be asked for; nobody has as many lots. */
    private static final int MOST_PAGES = 1_000_000;

    /** What a specimen's label begins with that lay on no plate. */
    private static final String PIECE = "P";

    /** Specimens of one set at the most; more is a slip of the keyboard. */
    public static final int LARGEST_SET = 60;

    /** Undecided lots that a calendar looks at; the oldest first. */
    public static final int MOST_PLANNED = 60;

    private static final int MOST_OFFERED = 30;

    private final PageMemory memory;
    private final LotRepository lots;
    private final SpecimenSetRepository sets;
    private final SpecimenRepository specimens;
    private final RawMaterialRepository raws;
    private final SampleRepository samples;
    private final Products products;
    private final Publications publications;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    /** A lot was entered. */
    public record LotEntered(long lotId) {}

    Lots(
            PageMemory memory,
            LotRepository lots,
            SpecimenSetRepository sets,
            SpecimenRepository specimens,
            RawMaterialRepository raws,
            SampleRepository samples,
            Products products,
            Publications publications,
            ApplicationEventPublisher events,
            Clock clock) {
        this.memory = memory;
        this.events = events;
        this.lots = lots;
        this.sets = sets;
        this.specimens = specimens;
        this.raws = raws;
        this.samples = samples;
        this.products = products;
        this.publications = publications;
        this.clock = clock;
    }

    /** A lot about to be entered, checked for form already. */
    public record NewLot(
            String code, String product, String colour, LocalDate madeOn, String size, String note, Origin origin) {

        /** A lot whose origin nobody wrote down. */
        public NewLot(String code, String product, String colour, LocalDate madeOn, String size, String note) {
            this(code, product, colour, madeOn, size, note, Origin.UNKNOWN);
        }
    }

    /**
     * What a lot was made of and on.
     *
     * @param regrind share of regrind as typed
     * @param blend formulation and masterbatch
     * @param raw lots of raw material
     */
    public record Origin(String line, String regrind, Blend blend, List<RawMaterial> raw) {

        /** Nothing is known. */
        public static final Origin UNKNOWN = new Origin("", "", Blend.UNKNOWN, List.of());
    }

    /** A lot of raw material. */
    public record RawMaterial(Kind kind, String code) {

        /** What it contributes. */
        public enum Kind {
            POLYMER("polymer"),
            FIBRE("fibre"),
            COLOUR("colour masterbatch"),
            PHOTOINITIATOR("photoinitiator");

            private final String words;

            Kind(String words) {
                this.words = words;
            }

            /** The contribution in words. */
            public String words() {
                return words;
            }
        }
    }

    /**
     * A set of specimens about to be added.
     *
     * @param request key of the form it came from, so that sending it twice adds it once
     * @param purpose method, notch, walls and infill, scale
     */
    public record NewSet(
            String request,
            SpecimenDesign design,
            Orientation orientation,
            Basis basis,
            Conditioning conditioning,
            double rate,
            int count,
            Making making,
            Purpose purpose) {

        /** A set of solid tension specimens without a notch. */
        public NewSet(
                String request,
                SpecimenDesign design,
                Orientation orientation,
                Basis basis,
                Conditioning conditioning,
                double rate,
                int count,
                Making making) {
            this(request, design, orientation, basis, conditioning, rate, count, making, Purpose.USUAL);
        }

        /** The specimens of a plan's line. */
        public static NewSet of(String request, PlannedTest test, int count, double scale, Making making) {
            return new NewSet(
                    request,
                    test.design(),
                    test.orientation(),
                    test.basis(),
                    test.conditioning(),
                    test.rate(),
                    count,
                    new Making(
                            making.sampleId(),
                            test.process(),
                            making.madeAt(),
                            making.conditionedFrom(),
                            making.setup(),
                            making.besideId()),
                    new Purpose(test.method().data().id(), test.notch(), test.build(), scale));
        }

        /** A set of which nobody said from what sample and when it was made. */
        public NewSet(
                String request,
                SpecimenDesign design,
                Orientation orientation,
                Basis basis,
                Conditioning conditioning,
                double rate,
                int count) {
            this(request, design, orientation, basis, conditioning, rate, count, Making.UNKNOWN);
        }
    }

    /**
     * What sort of test a set is for.
     *
     * @param method id of the method
     * @param build walls, infill and pattern; nothing for solid specimens
     * @param scale that the model was printed at, above 0
     */
    public record Purpose(String method, Notch notch, Build build, double scale) {

        /** The usual test at scale 1. */
        public static final Purpose USUAL = new Purpose(Methods.usual().data().id(), Notch.NONE, Build.NONE, 1);
    }

    /**
     * How a set was made.
     *
     * @param sampleId the spool or bottle it was made of; null when unknown
     * @param process exposure and cure of a resin's specimens; empty for filament
     * @param madeAt when it was printed; null when nobody said, and then the time of entry counts
     * @param conditionedFrom when it went into the climate; null when it did not or nobody said
     * @param setup printer, recipe, maker and method revision; empty when nobody said
     * @param besideId for a reference lot's set, the lot that it is made beside; null otherwise
     */
    public record Making(
            @Nullable Long sampleId,
            String process,
            @Nullable LocalDateTime madeAt,
            @Nullable LocalDateTime conditionedFrom,
            Setup setup,
            @Nullable Long besideId) {

        /** A set of which nobody said on which printer it was made. */
        public Making(
                @Nullable Long sampleId,
                String process,
                @Nullable LocalDateTime madeAt,
                @Nullable LocalDateTime conditionedFrom) {
            this(sampleId, process, madeAt, conditionedFrom, Setup.NONE, null);
        }

        /** Nothing is known. */
        public static final Making UNKNOWN = new Making(null, "", null, null);
    }

    /** A page of lots and how many there are in all. */
    public record LotPage(List<LotView> lots, int page, int pages, long total) {}

    /** Enters a lot; it keeps the datasheet revision in force when it was made. */
    @Write
    public LotView enter(NewLot form, String by) {
        Products.ProductView product = products.named(form.product());
        Publications.PublicationView datasheet = publications
                .inForce(product.id(), Publication.Kind.DATASHEET, form.madeOn())
                .orElseThrow(() ->
                        new Refusal("product", product.name() + " has no datasheet yet: publish its claims first."));
        if (lots.existsByCodeIgnoreCase(form.code())) {
            throw new Refusal(
                    "code",
                    "There is already a lot '"
                            + lots.findByCodeIgnoreCase(form.code()).get(0).code + "'; capitals do not make another.");
        }
        if (form.madeOn().isBefore(datasheet.validFrom())) {
            throw new Refusal(
                    "madeOn",
                    "The first datasheet of " + product.name() + " is valid from " + datasheet.validFrom()
                            + ": nothing was promised before. Publish what was in force when the lot was made, or correct"
                            + " the day.");
        }
        if (!product.colours().contains(form.colour())) {
            throw new Refusal("colour", product.name() + " is made in " + String.join(", ", product.colours()) + ".");
        }
        if (form.madeOn().isAfter(LocalDate.now(clock))) {
            throw new Refusal("madeOn", "The lot cannot have been made after today.");
        }
        Lot lot = new Lot();
        lot.code = form.code();
        lot.productId = product.id();
        lot.datasheetId = datasheet.id();
        lot.colour = form.colour();
        lot.madeOn = form.madeOn();
        lot.size = form.size();
        lot.note = form.note();
        lot.line = form.origin().line();
        lot.regrind = form.origin().regrind();
        take(lot, form.origin().blend());
        lot.state = LotState.WAITING;
        lot.createdBy = by;
        lot.createdAt = clock.instant();
        LotView entered = view(lots.save(lot));
        events.publishEvent(new LotEntered(entered.id()));
        for (RawMaterial raw : form.origin().raw()) {
            RawMaterialRow row = new RawMaterialRow();
            row.lotId = entered.id();
            row.kind = raw.kind();
            row.code = raw.code();
            raws.save(row);
        }
        return entered;
    }

    /**
     * Writes down a lot of before this application, of which only summaries are known: it takes no readings and is marked.
     *
     * @return the lot; the one of before where it was brought in already
     */
    @Write
    public LotView bringIn(
            Products.ProductView product, String code, String colour, LocalDate madeOn, Blend blend, String by) {
        Optional<LotView> there = find(code);
        if (there.isPresent()) {
            LotView lot = there.get();
            if (lot.state() != LotState.BROUGHT_IN || lot.productId() != product.id()) {
                throw new Refusal("There is already a lot '" + lot.code() + "' that was entered here.");
            }
            if (!lot.colour().equals(colour)
                    || !lot.madeOn().equals(madeOn)
                    || !lot.blend().isSame(blend)) {
                throw new Refusal(
                        "Lot '" + lot.code() + "' stands elsewhere with another day, colour or blend: made on "
                                + lot.madeOn() + ", " + lot.colour()
                                + (lot.blend().words().isEmpty()
                                        ? ""
                                        : ", " + lot.blend().words()) + ".");
            }
            return lot;
        }
        Publications.PublicationView datasheet = publications
                .inForce(product.id(), Publication.Kind.DATASHEET, madeOn)
                .orElseThrow(() -> new Refusal(product.name() + " has no datasheet yet: publish its claims first."));
        Lot lot = new Lot();
        lot.code = code;
        lot.productId = product.id();
        lot.datasheetId = datasheet.id();
        lot.colour = colour;
        lot.madeOn = madeOn;
        lot.size = "";
        lot.note = "Brought in from records.";
        lot.line = "";
        lot.regrind = "";
        take(lot, blend);
        lot.state = LotState.BROUGHT_IN;
        lot.createdBy = by;
        lot.createdAt = clock.instant();
        return view(lots.save(lot));
    }

    /** The lots of raw material that a lot was made of. */
    public List<RawMaterial> rawMaterials(long lotId) {
        return raws.findByLotIdOrderById(lotId).stream()
                .map(row -> new RawMaterial(row.kind, row.code))
                .toList();
    }

    /** The same of several lots; one of which nothing is said is left out. */
    public Map<Long, List<RawMaterial>> rawMaterials(Collection<Long> lotIds) {
        return raws.findByLotIdInOrderById(lotIds).stream()
                .collect(Collectors.groupingBy(
                        row -> row.lotId,
                        Collectors.mapping(row -> new RawMaterial(row.kind, row.code), Collectors.toList())));
    }

    /** Forwards: the lots that a lot of raw material went into, oldest first. */
    public List<LotView> madeFrom(String rawCode) {
        List<Long> ids = raws.findByCodeOrderByLotId(rawCode.strip()).stream()
                .map(row -> row.lotId)
                .distinct()
                .toList();
        return lots.findAllById(ids).stream()
                .map(Lots::view)
                .sorted(java.util.Comparator.comparing(LotView::madeOn).thenComparing(LotView::id))
                .toList();
    }

    /** Adds a set of specimens, labelled on from those the orientation already has. */
    @Write
    public List<SpecimenView> addSet(long lotId, NewSet form, String by) {
        lockUndecided(lotId);
        if (sets.existsByLotIdAndRequest(lotId, form.request())) {
            return List.of();
        }
        if (form.count() < 1 || form.count() > LARGEST_SET) {
            throw new Refusal("count", "A set has 1 to " + LARGEST_SET + " specimens.");
        }
        LotView lot = lot(lotId);
        Long sampleId = form.making().sampleId();
        if (sampleId != null && !samples.existsByIdAndLotId(sampleId, lotId)) {
            throw new Refusal("sample", "That sample is not one of lot " + lot.code() + ".");
        }
        LocalDateTime made = form.making().madeAt();
        if (made != null) {
            requireMadeBy("madeAt", lot, made, "The print");
        }
        LocalDateTime into = form.making().conditionedFrom();
        if (into != null) {
            requireMadeBy("conditionedFrom", lot, into, "The time in the climate");
        }
        SpecimenSet set = new SpecimenSet();
        set.lotId = lotId;
        set.request = form.request();
        set.design = form.design();
        set.orientation = form.orientation();
        set.basis = form.basis();
        set.conditioning = form.conditioning();
        set.rate = form.rate();
        set.sampleId = form.making().sampleId();
        set.process = form.making().process();
        set.madeAt = made == null ? LocalDateTime.now(clock) : made;
        set.conditionedFrom = form.making().conditionedFrom();
        set.method = form.purpose().method();
        set.notch = form.purpose().notch();
        set.built = form.purpose().build();
        set.scale = form.purpose().scale();
        set.setup = form.making().setup();
        set.climate = "";
        set.besideId = form.making().besideId();
        set.createdBy = by;
        set.createdAt = clock.instant();
        return store(set, form.count());
    }

    private List<SpecimenView> store(SpecimenSet set, int count) {
        sets.save(set);
        int before = specimens.count(set.lotId, set.orientation);
        for (int i = 1; i <= count; i++) {
            Specimen specimen = new Specimen();
            specimen.lotId = set.lotId;
            specimen.set = set;
            specimen.place = before + i;
            specimen.label = (set.orientation == Orientation.NONE ? PIECE : set.orientation.name()) + (before + i);
            specimens.save(specimen);
        }
        return specimens.ofSet(set.id).stream().map(Specimen::view).toList();
    }

    /**
     * Adds specimens to a set that was tested already: made as it was and of the same sample, so that they count with it. It is
     * another look at the lot, and is kept as one.
     */
    @Write
    public List<SpecimenView> addToSet(LotView lot, long setId, int count, String request, String by) {
        lockUndecided(lot.id());
        if (sets.existsByLotIdAndRequest(lot.id(), request)) {
            return List.of();
        }
        if (count < 1 || count > LARGEST_SET) {
            throw new Refusal("count", "A set has 1 to " + LARGEST_SET + " specimens.");
        }
        SpecimenSet first = sets.findById(setId)
                .filter(found -> found.lotId == lot.id())
                .orElseThrow(() -> new NotFound("set " + setId + " of lot " + lot.code()));
        SpecimenSet set = first.further(request);
        set.createdBy = by;
        set.createdAt = clock.instant();
        set.madeAt = LocalDateTime.now(clock);
        return store(set, count);
    }

    /** Makes one specimen in place of one whose test was void, as its set was made and linked to it; once. */
    @Write
    public void addInPlaceOf(LotView lot, SpecimenView spoilt, String by) {
        lockUndecided(lot.id());
        String request = "in-place-of-" + spoilt.id();
        if (sets.existsByLotIdAndRequest(lot.id(), request)) {
            return;
        }
        SpecimenSet set = sets.findById(spoilt.setId())
                .filter(found -> found.lotId == lot.id())
                .orElseThrow(() -> new NotFound("set " + spoilt.setId() + " of lot " + lot.code()))
                .further(request);
        set.inPlaceOf = spoilt.id();
        set.createdBy = by;
        set.createdAt = clock.instant();
        set.madeAt = LocalDateTime.now(clock);
        store(set, 1);
    }

    /** Labels of what was made in place of specimens whose tests were void, by the keys of these. */
    public Map<Long, String> replacements(long lotId) {
        return sets.findByLotIdAndInPlaceOfIsNotNull(lotId).stream()
                .collect(Collectors.toMap(
                        set -> java.util.Objects.requireNonNull(set.inPlaceOf), set -> span(specimens.ofSet(set.id))));
    }

    /** The further looks at a lot, each in words. */
    public List<String> furtherLooks(long lotId) {
        return sets.findByLotIdAndFurtherOfIsNotNullOrderById(lotId).stream()
                .map(set -> {
                    List<Specimen> added = specimens.ofSet(set.id);
                    List<Specimen> first = specimens.ofSet(java.util.Objects.requireNonNull(set.furtherOf));
                    if (set.inPlaceOf != null) {
                        String spoilt = specimens
                                .findById(set.inPlaceOf)
                                .map(one -> one.label)
                                .orElse("another");
                        return span(added) + " was made in place of " + spoilt + ", whose test was void, by "
                                + set.createdBy + " on " + LocalDate.ofInstant(set.createdAt, clock.getZone()) + ".";
                    }
                    return "Looked again: " + span(added) + " were added to " + span(first) + " by " + set.createdBy
                            + " on " + LocalDate.ofInstant(set.createdAt, clock.getZone())
                            + ", after results of these were known.";
                })
                .toList();
    }

    private static String span(List<Specimen> set) {
        String first = set.get(0).label;
        String last = set.get(set.size() - 1).label;
        return first.equals(last) ? first : first + " to " + last;
    }

    /** Writes down when a set went into a climate, or came out of it. */
    @Write
    public void condition(
            LotView lot,
            long setId,
            @Nullable LocalDateTime in,
            @Nullable LocalDateTime out,
            String climate,
            String by) {
        lockUndecided(lot.id());
        SpecimenSet set = sets.findById(setId)
                .filter(found -> found.lotId == lot.id())
                .orElseThrow(() -> new NotFound("set " + setId + " of lot " + lot.code()));
        LocalDateTime from = in == null ? set.conditionedFrom : in;
        if (set.conditioning != Conditioning.CONDITIONED) {
            throw new Refusal("in", "These specimens are tested dry as printed; they have no conditioning clock.");
        }
        if (from == null || from.isBefore(set.made().truncatedTo(ChronoUnit.MINUTES))) {
            throw new Refusal("in", "Say when it went in; not before it was made.");
        }
        if (out != null && out.isBefore(from)) {
            throw new Refusal("out", "It cannot have come out before it went in.");
        }
        set.conditionedBy = by;
        set.conditionedFrom = from;
        set.conditionedTo = out;
        set.climate = climate.isEmpty() ? set.climate : climate;
    }

    /** Refuses a time before the lot was made, or after now: nothing can have been done to what did not exist. */
    public void requireMadeBy(String field, LotView lot, LocalDateTime at, String what) {
        if (at.toLocalDate().isBefore(lot.madeOn())) {
            throw new Refusal(
                    field, what + " cannot be of " + at.toLocalDate() + ": the lot was made on " + lot.madeOn() + ".");
        }
        if (at.isAfter(LocalDateTime.now(clock).plusMinutes(1))) {
            throw new Refusal(field, what + " cannot be of a time that has not come yet.");
        }
    }

    /** The how manieth lot of its product it is, in order of entry. */
    public long ordinal(LotView lot) {
        return lots.countByProductIdAndIdLessThanEqual(lot.productId(), lot.id());
    }

    /** A set with its time in the climate. */
    public record Climate(
            long setId,
            @Nullable LocalDateTime in,
            @Nullable LocalDateTime out,
            String climate) {}

    /** Time in the climate of several sets. */
    public List<Climate> climates(Collection<Long> setIds) {
        return sets.findAllById(setIds).stream()
                .map(set -> new Climate(set.id, set.conditionedFrom, set.conditionedTo, set.climate))
                .toList();
    }

    /** Specimens by their keys, of whatever lot. */
    public List<SpecimenView> specimensById(Collection<Long> ids) {
        return ids.isEmpty()
                ? List.of()
                : specimens.byIds(ids).stream().map(Specimen::view).toList();
    }

    /** The specimen whose label carries this code; empty when it was misread or is none. */
    public Optional<SpecimenView> coded(String code) {
        return SpecimenView.keyOf(code).flatMap(specimens::one).map(Specimen::view);
    }

    /** The lots on which a decision is due, oldest first, {@value #MOST_PLANNED} at the most. */
    public List<LotView> undecided() {
        return lots.findByStateIn(LotState.due(), PageRequest.of(0, MOST_PLANNED, Sort.by("madeOn", "id")))
                .map(Lots::view)
                .getContent();
    }

    /** The lot with this code. */
    public LotView named(String code) {
        return lots.findByCode(code).map(Lots::view).orElseThrow(() -> new NotFound("lot '" + code + "'"));
    }

    /** The same; empty when there is none. */
    public Optional<LotView> find(String code) {
        return lots.findByCode(code)
                .or(() -> lots.findByCodeIgnoreCase(code).stream().findFirst())
                .map(Lots::view);
    }

    /** The specimen with this label, written with its lot's code before it, in any case: SK-0130-XY1. */
    public Optional<SpecimenView> labelled(String text) {
        int dash = text.strip().lastIndexOf('-');
        return dash < 1
                ? Optional.empty()
                : find(text.strip().substring(0, dash))
                        .flatMap(lot -> specimens.labelled(
                                lot.id(), text.strip().substring(dash + 1).toUpperCase(Locale.ROOT)))
                        .map(Specimen::view);
    }

    /** The lot with this key. */
    public LotView lot(long id) {
        return lots.findById(id).map(Lots::view).orElseThrow(() -> new NotFound("lot " + id));
    }

    /** Several lots by their keys. */
    public List<LotView> all(Collection<Long> ids) {
        return lots.findAllById(ids).stream().map(Lots::view).toList();
    }

    /** The formulations that lots were made by, the newest first. */
    List<String> formulations() {
        return lots.formulations(PageRequest.of(0, MOST_OFFERED));
    }

    /** The colour masterbatches that went into lots, the newest first. */
    List<String> masterbatches() {
        return lots.masterbatches(PageRequest.of(0, MOST_OFFERED));
    }

    /** For each of these lots the newest of its product and colour that was made before it and may leave or has left. */
    public Map<Long, LotView> shippedBefore(Collection<Long> lotIds) {
        if (lotIds.isEmpty()) {
            return Map.of();
        }
        Map<Long, Long> before = new HashMap<>();
        lots.shippedBefore(lotIds).forEach(pair -> before.put(pair.getLotId(), pair.getBeforeId()));
        Map<Long, LotView> known =
                all(before.values()).stream().collect(Collectors.toMap(LotView::id, Function.identity()));
        Map<Long, LotView> found = new HashMap<>();
        before.forEach((lot, earlier) -> found.put(lot, known.get(earlier)));
        return found;
    }

    /** The newest lots of a product, the newest first. */
    public List<LotView> newest(long productId, int most) {
        return lots.findByProductIdOrderByIdDesc(productId, PageRequest.of(0, most)).stream()
                .map(Lots::view)
                .toList();
    }

    /** The lots of a product on which a decision is still due. */
    public List<LotView> undecidedOf(long productId) {
        return lots.findByProductIdAndStateIn(productId, LotState.due()).stream()
                .map(Lots::view)
                .toList();
    }

    /** A page of the lots in these states, by the day they were made. */
    public LotPage page(Set<LotState> states, int page, int size, boolean oldestFirst) {
        Sort sort = Sort.by(oldestFirst ? Sort.Direction.ASC : Sort.Direction.DESC, "madeOn", "id");
        var found = lots.findByStateIn(states, PageRequest.of(Math.max(0, Math.min(page, MOST_PAGES)), size, sort));
        return new LotPage(
                found.map(Lots::view).getContent(), found.getNumber(), found.getTotalPages(), found.getTotalElements());
    }

    /** The lot's specimens in order of their sets. */
    public List<SpecimenView> specimens(long lotId) {
        return specimensOf(List.of(lotId));
    }

    /** The specimens of several lots, lot by lot. */
    public List<SpecimenView> specimensOf(Collection<Long> lotIds) {
        return memory
                .each("specimens", lotIds, ids -> specimens.ofLots(ids).stream()
                        .map(Specimen::view)
                        .collect(Collectors.groupingBy(SpecimenView::lotId, Collectors.toUnmodifiableList())))
                .values()
                .stream()
                .flatMap(List::stream)
                .toList();
    }

    /** The specimen of the lot with this label, written with or without the lot's code, in any case, or with this code. */
    public SpecimenView specimen(LotView lot, String name) {
        String label = name.strip().toUpperCase(Locale.ROOT);
        String prefix = lot.code().toUpperCase(Locale.ROOT) + "-";
        String wanted = label.startsWith(prefix) ? label.substring(prefix.length()) : label;
        return specimens
                .labelled(lot.id(), wanted)
                .map(Specimen::view)
                .or(() -> coded(wanted).filter(specimen -> specimen.lotId() == lot.id()))
                .orElseThrow(() -> new NotFound("specimen '" + name.strip() + "' in lot " + lot.code()));
    }

    /**
     * Locks the lot until the transaction ends, so that two people at it take turns, and raises its revision, so that what
     * was derived from it is known to be old; refused once it is decided. The first thing that a step does: what it read
     * before may be old.
     */
    public LotView lockUndecided(long id) {
        lots.raise(id);
        return lock(id);
    }

    /** Locks the lot, decided or not, and raises its revision: something beside its record changes. */
    @Write
    public void touch(long id) {
        if (lots.raise(id) == 0) {
            throw new NotFound("lot " + id);
        }
    }

    /** Locks the lot for a decision about it as it stands; refused once it is decided. */
    public LotView lock(long id) {
        return lock(id, true);
    }

    /** The same; a decided lot is let through where {@code undecided} is false. */
    public LotView lock(long id, boolean undecided) {
        LotView lot = lots.lock(id).map(Lots::view).orElseThrow(() -> new NotFound("lot " + id));
        if (undecided && !lot.state().isUndecided()) {
            throw new Refusal("Lot " + lot.code() + " is " + lot.state().words()
                    + "; its record is closed and takes no more entries.");
        }
        return lot;
    }

    /** Moves a locked lot to another state. */
    @Write
    public void move(long id, LotState state) {
        lots.lock(id).orElseThrow(() -> new NotFound("lot " + id)).state = state;
    }

    private static void take(Lot lot, Blend blend) {
        lot.formulation = blend.formulation();
        lot.masterbatch = blend.masterbatch();
        lot.masterbatchShare = blend.share();
    }

    private static Blend blend(Lot lot) {
        return new Blend(lot.formulation, lot.masterbatch, lot.masterbatchShare);
    }

    private static LotView view(Lot lot) {
        return new LotView(
                lot.id,
                lot.code,
                lot.productId,
                lot.datasheetId,
                lot.colour,
                lot.madeOn,
                lot.size,
                lot.note,
                lot.line,
                lot.regrind,
                blend(lot),
                lot.state,
                lot.createdBy);
    }
}
