package org.ysometron.app.plan;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Revisions;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Moments;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Sheet;
import org.ysometron.core.working.Figures;

/**
 * Signed masters: what results of a product in a colour are compared with, such as the coordinates of its colour. One account proposes
 * and another signs; what was signed when a lot was made holds for it, and a newer one only for lots made later.
 */
@Component
public class Masters {

    private final MasterRepository masters;
    private final PageMemory memory;
    private final Revisions revisions;
    private final Clock clock;

    Masters(MasterRepository masters, PageMemory memory, Revisions revisions, Clock clock) {
        this.masters = masters;
        this.memory = memory;
        this.revisions = revisions;
        this.clock = clock;
    }

    /**
     * A master.
     *
     * @param entries by key of the field, as typed
     * @param signedBy who signed it; null while nobody did, and then it holds for nothing
     */
    public record MasterView(
            long id,
            long productId,
            String colour,
            Method method,
            Map<String, String> entries,
            String source,
            String reason,
            String proposedBy,
            Instant proposedAt,
            @Nullable String signedBy,
            @Nullable Instant signedAt) {

        /** Whether it counts. */
        public boolean isSigned() {
            return signedBy != null;
        }

        /** Its values with what they are of. */
        public String words() {
            return fields(method).stream()
                    .filter(field -> entries.containsKey(field.key()))
                    .map(field -> field.words() + " "
                            + Figures.plain(
                                    Sheet.read(field, 1, entries.getOrDefault(field.key(), ""))
                                            .value()
                                            .orElse(0),
                                    5)
                            + " " + field.unit())
                    .collect(Collectors.joining(", "));
        }
    }

    /**
     * What holds for a lot.
     *
     * @param values by key of the field, in working units
     * @param words the master, who signed it and when
     * @param isLater whether it was signed only after the lot was made
     */
    public record Holding(Map<String, Double> values, String words, boolean isLater) {

        /** None. */
        public static final Holding NONE = new Holding(Map.of(), "", false);

        /** Copies the values. */
        public Holding {
            values = Map.copyOf(values);
        }
    }

    /** What a method's file asks a master for. */
    public static List<Field> fields(Method method) {
        return method.data().sheet().of(Field.Role.MASTER);
    }

    /** The methods that compare with a master. */
    public static List<Method> wanting() {
        return Methods.all().stream()
                .filter(method -> !fields(method).isEmpty())
                .toList();
    }

    /** All masters of a product, the oldest first. */
    public List<MasterView> of(long productId) {
        return of(List.of(productId)).getOrDefault(productId, List.of());
    }

    private Map<Long, List<MasterView>> of(Collection<Long> productIds) {
        return memory.each("masters", productIds, ids -> masters.findByProductIdInOrderById(ids).stream()
                .flatMap(row -> view(row).stream())
                .collect(Collectors.groupingBy(MasterView::productId, Collectors.toUnmodifiableList())));
    }

    /** The master that a lot's results by a method are compared with. */
    public Holding holding(LotView lot, Method method) {
        if (fields(method).isEmpty()) {
            return Holding.NONE;
        }
        List<MasterView> signed = of(lot.productId()).stream()
                .filter(master -> master.isSigned()
                        && master.method().equals(method)
                        && master.colour().equalsIgnoreCase(lot.colour()))
                .toList();
        Optional<MasterView> then = signed.stream()
                .filter(master -> !dayOf(master).isAfter(lot.madeOn()))
                .max(Comparator.comparing(Masters::dayOf).thenComparing(MasterView::id));
        // A first master may be signed when the lots are there already: better than none, and said.
        return then.or(() -> signed.stream().min(Comparator.comparing(MasterView::id)))
                .map(master -> holding(master, then.isEmpty()))
                .orElse(Holding.NONE);
    }

    private static Holding holding(MasterView master, boolean later) {
        Map<String, Double> values = new LinkedHashMap<>();
        for (Field field : fields(master.method())) {
            Sheet.One read = Sheet.read(field, 1, master.entries().getOrDefault(field.key(), ""));
            read.value().ifPresent(value -> values.put(field.key(), value));
        }
        String words = "Master of " + master.method().data().title() + ", " + master.colour() + ": " + master.words()
                + "; " + master.source() + "; signed by " + master.signedBy() + " on " + dayOf(master)
                + (later ? ", after the lot was made" : "");
        return new Holding(values, words, later);
    }

    private static LocalDate dayOf(MasterView master) {
        Instant at = master.signedAt();
        return at == null ? LocalDate.MAX : Moments.day(at);
    }

    /** Proposes a master; another account signs it. */
    @Write
    public void propose(
            Products.ProductView product,
            Method method,
            String colour,
            Map<String, String> typed,
            String source,
            String reason,
            String by) {
        String named = product.colours().stream()
                .filter(known -> known.equalsIgnoreCase(colour.strip()))
                .findFirst()
                .orElseThrow(() -> new Refusal("colour", "Choose one of the product's colours."));
        Map<String, String> entries = new LinkedHashMap<>();
        for (Field field : fields(method)) {
            String text = typed.getOrDefault(field.key(), "").strip();
            if (text.isEmpty() || text.length() > 40) {
                throw new Refusal(field.key(), "Type the " + field.words() + ".");
            }
            Sheet.read(field, 1, text).problem().ifPresent(problem -> {
                throw new Refusal(field.key(), problem.text());
            });
            entries.put(field.key(), text);
        }
        if (entries.isEmpty()) {
            throw new Refusal("method", "Choose a method that compares with a master.");
        }
        if (source.isBlank() || source.length() > 200) {
            throw new Refusal("source", "Say what the master is and where it is kept, in at most 200 characters.");
        }
        Reasons.require("reason", reason, "The reason", 300);
        String written = entries.entrySet().stream()
                .map(entry -> entry.getKey() + ": " + entry.getValue())
                .collect(Collectors.joining("\n"));
        boolean waiting = masters.findByProductIdInOrderById(List.of(product.id())).stream()
                .anyMatch(other -> other.signedBy == null
                        && other.colour.equals(named)
                        && other.method.equals(method.data().id())
                        && other.entries.equals(written));
        if (waiting) {
            // Sent twice, it is proposed once.
            return;
        }
        Master row = new Master();
        row.productId = product.id();
        row.colour = named;
        row.method = method.data().id();
        row.entries = written;
        row.source = source.strip();
        row.reason = reason.strip();
        row.proposedBy = by;
        row.proposedAt = clock.instant();
        masters.save(row);
    }

    /** Signs what another account proposed; from now on it holds. Signed twice, it is signed once. */
    @Write
    public void sign(long productId, long id, String by) {
        Master row = masters.findByIdAndProductId(id, productId).orElseThrow(() -> new NotFound("master " + id));
        if (row.signedBy != null) {
            return;
        }
        if (row.proposedBy.equals(by)) {
            throw new Refusal("sign", "Who proposed a master does not sign it: another account does.");
        }
        row.signedBy = by;
        row.signedAt = clock.instant();
        masters.save(row);
        revisions.raise(Revisions.product(productId));
    }

    private static Optional<MasterView> view(Master row) {
        Map<String, String> entries = new LinkedHashMap<>();
        row.entries
                .lines()
                .map(line -> line.split(": ", 2))
                .filter(parts -> parts.length == 2)
                .forEach(parts -> entries.put(parts[0], parts[1]));
        // A method that is no longer in the catalogue takes no list down.
        return Methods.of(row.method)
                .map(method -> new MasterView(
                        row.id,
                        row.productId,
                        row.colour,
                        method,
                        entries,
                        row.source,
                        row.reason,
                        row.proposedBy,
                        row.proposedAt,
                        row.signedBy,
                        row.signedAt));
    }
}
