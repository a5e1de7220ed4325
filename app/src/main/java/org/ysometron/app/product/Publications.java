package org.ysometron.app.product;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Property;
import org.ysometron.core.publication.Conflict;
import org.ysometron.core.publication.Policy;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;

/** What we publish about products: label, web page and datasheet, each in revisions that stay. */
@Component
public class Publications {

    private final PublishedRevisionRepository revisions;
    private final PublishedStatementRepository statements;
    private final ResolutionRepository resolutions;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Publications(
            PublishedRevisionRepository revisions,
            PublishedStatementRepository statements,
            ResolutionRepository resolutions,
            ApplicationEventPublisher events,
            Clock clock) {
        this.revisions = revisions;
        this.statements = statements;
        this.resolutions = resolutions;
        this.events = events;
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

    /** Which statement of a product governs changed, so that verdicts on it may differ. */
    public record ClaimsChanged(long productId) {}

    /** Every revision of everything published about a product, newest first within each kind. */
    public List<PublicationView> all(long productId) {
        return revisions.findByProductIdOrderByKindAscRevisionDesc(productId).stream()
                .map(Publications::view)
                .toList();
    }

    /** The revision in force on a day: the newest valid by then; before the first, the first. */
    public Optional<PublicationView> inForce(long productId, Publication.Kind kind, LocalDate day) {
        List<PublishedRevision> all = revisions.findByProductIdAndKindOrderByRevisionDesc(productId, kind);
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
        return revisions.findByProductIdAndKindOrderByRevisionDesc(productId, kind).stream()
                .findFirst()
                .map(Publications::view);
    }

    /** One revision by its key. */
    public PublicationView publication(long id) {
        return revisions.findById(id).map(Publications::view).orElseThrow(() -> new NotFound("publication " + id));
    }

    /** The file kept with a revision. */
    @Transactional(readOnly = true)
    public Attachment attachment(long id) {
        PublishedRevision row = revisions.findById(id).orElseThrow(() -> new NotFound("publication " + id));
        if (row.content == null) {
            throw new NotFound("file with this revision");
        }
        return new Attachment(row.fileName, row.fileType, row.content);
    }

    /** What a revision says, in its order. */
    public List<Statement> statements(long publicationId) {
        return statements.findByPublicationIdOrderByPlace(publicationId).stream()
                .map(PublishedStatement::resolve)
                .toList();
    }

    /**
     * What a datasheet promises that evidence can bear out. Where a settled conflict says that another publication
     * governs, that one's statement stands in place of the datasheet's.
     */
    public List<Claim> claims(long datasheetId) {
        List<PublishedStatement> own = statements.findByPublicationIdOrderByPlace(datasheetId);
        if (own.isEmpty()) {
            return List.of();
        }
        Map<Long, Long> governed = new HashMap<>();
        long productId = publication(datasheetId).productId();
        for (Resolution row : resolutions.findByProductIdOrderById(productId)) {
            governed.put(row.otherId, row.governsId);
        }
        // What was settled holds while the publication that governs is the newest of its kind.
        Set<Long> newest = Arrays.stream(Publication.Kind.values())
                .flatMap(kind -> newest(productId, kind).stream())
                .map(PublicationView::id)
                .collect(Collectors.toSet());
        Map<Long, PublishedStatement> governing = new HashMap<>();
        statements.findByIdIn(governed.values()).stream()
                .filter(row -> newest.contains(row.publicationId))
                .forEach(row -> governing.put(row.id, row));
        List<Claim> claims = new ArrayList<>();
        for (PublishedStatement row : own) {
            Long governsId = governed.get(row.id);
            PublishedStatement stands = governsId == null ? row : governing.getOrDefault(governsId, row);
            claim(stands).ifPresent(claims::add);
        }
        return claims;
    }

    private static Optional<Claim> claim(PublishedStatement row) {
        Statement statement = row.resolve();
        Optional<Property> property = statement.topic().property();
        Optional<Conditions> conditions =
                property.filter(p -> !p.isMechanical()).isPresent()
                        ? Optional.of(Conditions.ofMaterial("intake", ""))
                        : statement.terms().conditions();
        boolean rivalMissing = statement.form() == Form.BETTER_THAN && row.rivalId == null;
        boolean tested =
                property.isPresent() && (property.get().isMechanical() || property.get() == Property.FILAMENT_DIAMETER);
        if (!tested || conditions.isEmpty() || rivalMissing) {
            return Optional.empty();
        }
        return statement
                .requirement(Policy.USUAL)
                .map(requirement -> new Claim(
                        row.id,
                        property.get(),
                        statement.form(),
                        statement.published(),
                        requirement,
                        conditions.get(),
                        row.rivalId));
    }

    /** Publishes the next revision. Earlier ones stay with the lots made under them. */
    @Transactional
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
        PublishedRevision row = new PublishedRevision();
        row.productId = productId;
        row.kind = kind;
        row.revision = newest(productId, kind).map(PublicationView::revision).orElse(0) + 1;
        row.validFrom = validFrom;
        row.source = source;
        row.publishedBy = by;
        row.fileName = file.name();
        row.fileType = file.type();
        row.content = file.content().length == 0 ? null : file.content();
        long id = revisions.save(row).id;
        int place = 1;
        for (Draft draft : drafts) {
            statements.save(new PublishedStatement(id, place++, draft.statement(), draft.rivalId()));
        }
        events.publishEvent(new ClaimsChanged(productId));
        return view(row);
    }

    /** Where label, web page and the given datasheet disagree, with what was decided about it. */
    @Transactional(readOnly = true)
    public List<ConflictView> conflicts(long productId, @Nullable Long datasheetId) {
        List<Publication> publications = new ArrayList<>();
        for (Publication.Kind kind : Publication.Kind.values()) {
            Optional<PublicationView> found = kind == Publication.Kind.DATASHEET && datasheetId != null
                    ? Optional.of(publication(datasheetId))
                    : newest(productId, kind);
            found.ifPresent(view -> publications.add(new Publication(kind, view.revision(), statements(view.id()))));
        }
        List<Resolution> settled = resolutions.findByProductIdOrderById(productId);
        return Conflict.among(publications).stream()
                .map(conflict -> new ConflictView(conflict, resolution(conflict, settled)))
                .toList();
    }

    /** A conflict is settled when one of its statements was said to govern every other that differs from it. */
    private static @Nullable ResolutionView resolution(Conflict conflict, List<Resolution> settled) {
        for (Conflict.Entry governs : conflict.entries()) {
            ResolutionView last = null;
            boolean all = true;
            for (Conflict.Entry other : conflict.entries()) {
                boolean differs = other.kind() != governs.kind()
                        && !Conflict.between(governs.statement(), other.statement())
                                .isEmpty();
                if (differs) {
                    Optional<Resolution> row = settled.stream()
                            .filter(r -> r.governsId == governs.statement().id()
                                    && r.otherId == other.statement().id())
                            .findFirst();
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
    @Transactional
    public void resolve(
            long productId, @Nullable Long datasheetId, long governsId, String reason, String correction, String by) {
        if (reason.isBlank()) {
            throw new Refusal("reason", "Say why this one governs.");
        }
        Conflict conflict = conflicts(productId, datasheetId).stream()
                .map(ConflictView::conflict)
                .filter(c -> c.entries().stream().anyMatch(e -> e.statement().id() == governsId))
                .findFirst()
                .orElseThrow(() -> new Refusal("These publications agree by now; load the page again."));
        Conflict.Entry governs = conflict.entries().stream()
                .filter(e -> e.statement().id() == governsId)
                .findFirst()
                .orElseThrow();
        List<Resolution> before = resolutions.findByProductIdOrderById(productId);
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
                row.reason = reason.strip();
                row.correction = correction.strip();
                row.resolvedBy = by;
                row.resolvedAt = clock.instant();
                resolutions.save(row);
            }
        }
        events.publishEvent(new ClaimsChanged(productId));
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
