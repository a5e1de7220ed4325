package org.ysometron.app.product;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Revisions;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.publication.Conflict;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Policy;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;

/** What we publish about products: label, web page and datasheet, each in revisions that stay. */
@Component
public class Publications {

    private static final Logger LOG = LoggerFactory.getLogger(Publications.class);

    private final PageMemory memory;
    private final Products catalogue;
    private final ProductRepository products;
    private final PublishedRevisionRepository published;
    private final PublishedFileRepository files;
    private final PublishedStatementRepository statements;
    private final ResolutionRepository resolutions;
    private final Revisions revisions;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Publications(
            PageMemory memory,
            Products catalogue,
            ProductRepository products,
            PublishedRevisionRepository published,
            PublishedFileRepository files,
            PublishedStatementRepository statements,
            ResolutionRepository resolutions,
            Revisions revisions,
            ApplicationEventPublisher events,
            Clock clock) {
        this.memory = memory;
        this.events = events;
        this.catalogue = catalogue;
        this.products = products;
        this.files = files;
        this.published = published;
        this.statements = statements;
        this.resolutions = resolutions;
        this.revisions = revisions;
        this.clock = clock;
    }

    /** A revision of a publication. */
    public record PublicationView(
            long id,
            long productId,
            Publication.Kind kind,
            int revision,
            LocalDate validFrom,
            String source,
            String publishedBy,
            String fileName) {}

    /**
     * A statement about to be published.
     *
     * @param rivalId the product it claims to be better than; null unless it does
     */
    public record Draft(Statement statement, @Nullable Long rivalId) {}

    /** A file kept with a revision: what was really printed or shown. */
    public record Attachment(String name, String type, byte[] content) {

        /** No file. */
        public static final Attachment NONE = new Attachment("", "", new byte[0]);
    }

    /** How a conflict was settled. */
    public record ResolutionView(
            Publication.Kind governs, String published, String reason, String correction, String by, Instant at) {}

    /** A conflict and how it was settled; null while it is not. */
    public record ConflictView(Conflict conflict, @Nullable ResolutionView resolution) {

        /** Whether it stands in the way of a release. */
        public boolean blocks() {
            return resolution == null && conflict.isTested();
        }
    }

    /** Every revision of everything published about a product, newest first within each kind. */
    public List<PublicationView> all(long productId) {
        return published.findByProductIdOrderByKindAscRevisionDesc(productId).stream()
                .map(Publications::view)
                .toList();
    }

    /** The revision in force on a day: the newest valid by then; before the first, the first. */
    public Optional<PublicationView> inForce(long productId, Publication.Kind kind, LocalDate day) {
        List<PublishedRevision> all = revisionsOf(productId, kind);
        Optional<PublishedRevision> valid =
                all.stream().filter(row -> !row.validFrom.isAfter(day)).findFirst();
        return valid.or(() -> all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1)))
                .map(Publications::view);
    }

    /** The newest datasheet of a product; empty when it has published none. */
    public Optional<PublicationView> newestDatasheet(long productId) {
        return newest(productId, Publication.Kind.DATASHEET);
    }

    /** The newest revision of a kind. */
    public Optional<PublicationView> newest(long productId, Publication.Kind kind) {
        return revisionsOf(productId, kind).stream().findFirst().map(Publications::view);
    }

    /** One revision by its key. */
    public PublicationView publication(long id) {
        PublicationView found = publications(List.of(id)).get(id);
        if (found == null) {
            throw new NotFound("publication " + id);
        }
        return found;
    }

    private Map<Long, PublicationView> publications(Collection<Long> ids) {
        return memory.each("publication", ids, missing -> published.findAllById(missing).stream()
                .map(Publications::view)
                .collect(Collectors.toMap(PublicationView::id, Function.identity())));
    }

    /**
     * Reads together what is asked for one product at a time afterwards: what these products publish now and what stands in
     * these datasheets. A page of many lots asks the same few questions so.
     */
    public void prepare(Collection<Long> productIds, Collection<Long> datasheetIds) {
        Set<Long> sheets = new TreeSet<>(datasheetIds);
        publications(datasheetIds);
        revisions(productIds).values().forEach(revisions -> Arrays.stream(Publication.Kind.values())
                .flatMap(kind ->
                        revisions.stream().filter(row -> row.kind == kind).limit(1))
                .forEach(newest -> sheets.add(newest.id)));
        try {
            said(sheets);
            settledOf(productIds);
        } catch (DataAccessException away) {
            throw away;
        } catch (RuntimeException broken) {
            // Whoever asks for the one that cannot be read is told; the others are not concerned.
            LOG.warn("some statement cannot be read: {}", broken.getMessage());
        }
    }

    /** A statement as it is stored and as it is meant. */
    private record Said(PublishedStatement row, Statement statement) {}

    private Map<Long, List<Said>> said(Collection<Long> publicationIds) {
        return memory.each(
                "statements", publicationIds, ids -> statements.findByPublicationIdInOrderByPlace(ids).stream()
                        .map(row -> new Said(row, row.resolve()))
                        .collect(Collectors.groupingBy(
                                said -> said.row().publicationId, Collectors.toUnmodifiableList())));
    }

    private List<Said> said(long publicationId) {
        return said(List.of(publicationId)).getOrDefault(publicationId, List.of());
    }

    private Map<Long, List<PublishedRevision>> revisions(Collection<Long> productIds) {
        return memory.each("revisions", productIds, ids -> published.findByProductIdInOrderByRevisionDesc(ids).stream()
                .collect(Collectors.groupingBy(row -> row.productId, Collectors.toUnmodifiableList())));
    }

    private List<PublishedRevision> revisionsOf(long productId, Publication.Kind kind) {
        return revisions(List.of(productId)).getOrDefault(productId, List.of()).stream()
                .filter(row -> row.kind == kind)
                .toList();
    }

    /** The file kept with a revision. */
    @Transactional(readOnly = true)
    public Attachment attachment(long id) {
        PublicationView view = publication(id);
        PublishedFile file = files.findById(id).orElseThrow(() -> new NotFound("publication " + id));
        if (file.content == null) {
            throw new NotFound("file with this revision");
        }
        return new Attachment(view.fileName(), file.fileType, file.content);
    }

    /** What a revision says, in its order. */
    public List<Statement> statements(long publicationId) {
        return said(publicationId).stream().map(Said::statement).toList();
    }

    /**
     * What a datasheet promises that evidence can bear out. Where a settled conflict says that another publication
     * governs, that one's statement stands in place of the datasheet's.
     */
    public List<Claim> claims(long datasheetId) {
        return claims(datasheetId, LocalDate.now(clock));
    }

    /**
     * The same for a lot made on a day: what it must meet is what was in force then. What was settled later, or published
     * later, changes nothing for it.
     */
    public List<Claim> claims(long datasheetId, LocalDate madeOn) {
        return memory.once("claims on " + madeOn, datasheetId, () -> read(datasheetId, madeOn));
    }

    private List<Claim> read(long datasheetId, LocalDate madeOn) {
        List<Said> own = said(datasheetId);
        if (own.isEmpty()) {
            return List.of();
        }
        long productId = publication(datasheetId).productId();
        List<Settled> settled = settled(productId).stream()
                .filter(one -> !one.on().isAfter(madeOn))
                .toList();
        // Where nothing is settled nobody asks what the other publications said on that day.
        List<Said> inForce = settled.isEmpty()
                ? List.of()
                : Arrays.stream(Publication.Kind.values())
                        .flatMap(kind -> inForce(productId, kind, madeOn).stream())
                        .flatMap(view -> said(view.id()).stream())
                        .toList();
        Families families = new Families(catalogue.product(productId).family());
        List<Claim> claims = new ArrayList<>();
        for (Said said : own) {
            Said stands = said;
            for (Settled one : settled) {
                if (one.other().says(said.statement())) {
                    stands = inForce.stream()
                            .filter(candidate -> one.governs().says(candidate.statement()))
                            .findFirst()
                            .orElse(said);
                }
            }
            claim(stands, families).ifPresent(claims::add);
        }
        return claims;
    }

    /** What was settled about two statements; it speaks of what they say, whichever revision says it. */
    private record Settled(Resolution row, Saying governs, Saying other, LocalDate on) {}

    /** What a statement says, apart from where it stands. */
    private record Saying(Statement statement) {

        boolean says(Statement other) {
            return statement.topic().equals(other.topic())
                    && statement.form() == other.form()
                    && statement.published().equals(other.published())
                    && statement.words().equals(other.words())
                    && statement.qualifier().equals(other.qualifier())
                    && statement.terms().equals(other.terms())
                    && statement.minimumN() == other.minimumN();
        }
    }

    private List<Resolution> resolutionsOf(long productId) {
        return settledOf(List.of(productId)).getOrDefault(productId, List.of()).stream()
                .map(Settled::row)
                .toList();
    }

    private List<Settled> settled(long productId) {
        return settledOf(List.of(productId)).getOrDefault(productId, List.of());
    }

    private Map<Long, List<Settled>> settledOf(Collection<Long> productIds) {
        return memory.each("settled", productIds, this::readSettled);
    }

    private Map<Long, List<Settled>> readSettled(Collection<Long> productIds) {
        List<Resolution> rows = resolutions.findByProductIdInOrderById(productIds);
        if (rows.isEmpty()) {
            return Map.of();
        }
        Map<Long, Statement> said = new HashMap<>();
        statements
                .findByIdIn(rows.stream()
                        .flatMap(row -> Stream.of(row.governsId, row.otherId))
                        .toList())
                .forEach(row -> said.put(row.id, row.resolve()));
        return rows.stream()
                .map(row -> new Settled(
                        row,
                        new Saying(Objects.requireNonNull(said.get(row.governsId))),
                        new Saying(Objects.requireNonNull(said.get(row.otherId))),
                        LocalDate.ofInstant(row.resolvedAt, clock.getZone())))
                .collect(Collectors.groupingBy(settled -> settled.row().productId, Collectors.toUnmodifiableList()));
    }

    /** What intake can measure of a product's material, by its family. */
    private record Families(@Nullable Family family) {

        boolean measures(Characteristic property) {
            if (property.equals(OfMaterial.VISCOSITY) || property.equals(OfMaterial.PENETRATION_DEPTH)) {
                return family == Family.RESIN;
            }
            return !isOfTheStrand(property) || family == Family.FILAMENT;
        }
    }

    private static Policy policy(Characteristic property) {
        if (isOfTheStrand(property)) {
            return Policy.USUAL.forSpools();
        }
        return property.isMechanical() ? Policy.USUAL : Policy.USUAL.forDeterminations();
    }

    private static boolean isOfTheStrand(Characteristic property) {
        return property.equals(OfMaterial.FILAMENT_DIAMETER) || property.equals(OfMaterial.FILAMENT_OVALITY);
    }

    private static Optional<Claim> claim(Said said, Families families) {
        PublishedStatement row = said.row();
        Statement statement = said.statement();
        Optional<Characteristic> property = statement.topic().property();
        Optional<Conditions> conditions =
                property.filter(p -> !p.isMechanical()).isPresent()
                        ? Optional.of(Conditions.ofMaterial("intake", ""))
                        : statement.terms().conditions();
        boolean rivalMissing = statement.form() == Form.BETTER_THAN && row.rivalId == null;
        boolean tested = property.isPresent() && families.measures(property.get());
        if (!tested || conditions.isEmpty() || rivalMissing) {
            return Optional.empty();
        }
        return statement
                .requirement(policy(property.get()))
                .map(requirement -> new Claim(
                        row.id,
                        property.get(),
                        statement.form(),
                        statement.published(),
                        requirement,
                        conditions.get(),
                        row.rivalId,
                        property.get().isRatio() && statement.topic().isTreated() ? statement.qualifier() : ""));
    }

    /** Publishes the next revision. Earlier ones stay with the lots made under them. */
    @Write
    public PublicationView publish(
            long productId,
            Publication.Kind kind,
            LocalDate validFrom,
            String source,
            Attachment file,
            List<Draft> drafts,
            String by) {
        if (drafts.isEmpty()) {
            throw new Refusal("A publication that says nothing cannot be published.");
        }
        lock(productId);
        PublishedRevision row = new PublishedRevision();
        row.productId = productId;
        row.kind = kind;
        row.revision = newest(productId, kind).map(PublicationView::revision).orElse(0) + 1;
        row.validFrom = validFrom;
        row.source = source;
        row.publishedBy = by;
        row.fileName = file.name();
        long id = published.save(row).id;
        if (file.content().length > 0) {
            published.flush();
            files.keep(id, file.type(), file.content());
        }
        int place = 1;
        for (Draft draft : drafts) {
            statements.save(new PublishedStatement(id, place++, draft.statement(), draft.rivalId()));
        }
        revisions.raise(Revisions.product(productId));
        return view(row);
    }

    /** The newest revision of each publication of one product, published as the first of another's. */
    @Write
    public void copy(Products.ProductView from, Products.ProductView to, LocalDate validFrom, String by) {
        for (Publication.Kind kind : Publication.Kind.values()) {
            newest(from.id(), kind)
                    .ifPresent(view -> publish(
                            to.id(),
                            kind,
                            validFrom,
                            "copied from " + from.name() + ", revision " + view.revision(),
                            Attachment.NONE,
                            said(view.id()).stream()
                                    .map(said -> new Draft(said.statement(), said.row().rivalId))
                                    .toList(),
                            by));
        }
        events.publishEvent(new Copied(from.id(), to.id(), by));
    }

    /** A product took over what another publishes; whoever keeps more of it may take that over too. */
    public record Copied(long fromId, long toId, String by) {}

    /** The products that each product claims to be better than. */
    public Map<Long, Set<Long>> rivals() {
        Map<Long, Set<Long>> rivals = new HashMap<>();
        memory.once("rivals", "", statements::rivals)
                .forEach(pair -> rivals.computeIfAbsent(pair.productId(), id -> new java.util.HashSet<>())
                        .add(pair.rivalId()));
        return rivals;
    }

    /** Two who publish about one product take turns. */
    private void lock(long productId) {
        if (products.lock(productId).isEmpty()) {
            throw new NotFound("product " + productId);
        }
    }

    /** Where label, web page and the given datasheet disagree, with what was decided about it. */
    @Transactional(readOnly = true)
    public List<ConflictView> conflicts(long productId, @Nullable Long datasheetId) {
        return conflicts(productId, datasheetId, null);
    }

    /** The same as it was on a day; publications that came later are no concern of a lot made before. */
    @Transactional(readOnly = true)
    public List<ConflictView> conflicts(long productId, @Nullable Long datasheetId, @Nullable LocalDate day) {
        List<Publication> publications = new ArrayList<>();
        for (Publication.Kind kind : Publication.Kind.values()) {
            Optional<PublicationView> found = kind == Publication.Kind.DATASHEET && datasheetId != null
                    ? Optional.of(publication(datasheetId))
                    : day == null ? newest(productId, kind) : validOn(productId, kind, day);
            found.ifPresent(view -> publications.add(new Publication(kind, view.revision(), statements(view.id()))));
        }
        List<Settled> settled = settled(productId);
        return Conflict.among(publications).stream()
                .map(conflict -> new ConflictView(conflict, resolution(conflict, settled)))
                .toList();
    }

    /** What a kind of publication said on a day; nothing before its first revision. */
    private Optional<PublicationView> validOn(long productId, Publication.Kind kind, LocalDate day) {
        return inForce(productId, kind, day).filter(view -> !view.validFrom().isAfter(day));
    }

    /** A conflict is settled when one of its statements was said to govern every other that differs from it. */
    private static @Nullable ResolutionView resolution(Conflict conflict, List<Settled> settled) {
        for (Conflict.Entry governs : conflict.entries()) {
            ResolutionView last = null;
            boolean all = true;
            for (Conflict.Entry other : conflict.entries()) {
                boolean differs = other.kind() != governs.kind()
                        && !Conflict.between(governs.statement(), other.statement())
                                .isEmpty();
                if (differs) {
                    Optional<Resolution> row = settled.stream()
                            .filter(one -> one.governs().says(governs.statement())
                                    && one.other().says(other.statement()))
                            .map(Settled::row)
                            .reduce((one, later) -> later);
                    all &= row.isPresent();
                    last = row.map(r -> new ResolutionView(
                                    governs.kind(),
                                    governs.statement().published(),
                                    r.reason,
                                    r.correction,
                                    r.resolvedBy,
                                    r.resolvedAt))
                            .orElse(last);
                }
            }
            if (all && last != null) {
                return last;
            }
        }
        return null;
    }

    /** Settles a conflict: this statement governs, the others are to be corrected. */
    @Write
    public void resolve(
            long productId, @Nullable Long datasheetId, long governsId, String reason, String correction, String by) {
        String why = Reasons.require("reason", reason, "The reason", 400);
        lock(productId);
        Conflict conflict = conflicts(productId, datasheetId).stream()
                .map(ConflictView::conflict)
                .filter(c -> c.entries().stream().anyMatch(e -> e.statement().id() == governsId))
                .findFirst()
                .orElseThrow(() -> new Refusal("These publications agree by now; load the page again."));
        Conflict.Entry governs = conflict.entries().stream()
                .filter(e -> e.statement().id() == governsId)
                .findFirst()
                .orElseThrow();
        List<Resolution> before = resolutionsOf(productId);
        for (Conflict.Entry other : conflict.entries()) {
            boolean there = before.stream()
                    .anyMatch(r -> r.governsId == governsId
                            && r.otherId == other.statement().id());
            boolean differs = other.kind() != governs.kind()
                    && !Conflict.between(governs.statement(), other.statement()).isEmpty();
            if (differs && !there) {
                Resolution row = new Resolution();
                row.productId = productId;
                row.governsId = governsId;
                row.otherId = other.statement().id();
                row.reason = why;
                row.correction = correction.strip();
                row.resolvedBy = by;
                row.resolvedAt = clock.instant();
                resolutions.save(row);
            }
        }
        revisions.raise(Revisions.product(productId));
    }

    private static PublicationView view(PublishedRevision row) {
        return new PublicationView(
                row.id,
                row.productId,
                row.kind,
                row.revision,
                row.validFrom,
                row.source,
                row.publishedBy,
                row.fileName);
    }
}
