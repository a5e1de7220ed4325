package org.ysometron.app.plan;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.equipment.Printers;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.plan.PrinterLimits;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Recommended;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/** Reference recipes: one a product and printer, frozen; a change is a new revision and starts new series. */
@Component
public class Recipes {

    /** A tab: nobody types one into a form. */
    private static final String PARTED = "\t";

    private final PageMemory memory;
    private final RecipeRepository recipes;
    private final Instruments instruments;
    private final Printers printers;
    private final Publications publications;
    private final Clock clock;

    Recipes(
            PageMemory memory,
            RecipeRepository recipes,
            Instruments instruments,
            Printers printers,
            Publications publications,
            Clock clock) {
        this.printers = printers;
        this.publications = publications;
        this.memory = memory;
        this.recipes = recipes;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** Whose settings a recipe follows. */
    public enum Status {
        MAKERS("the maker's settings, unchanged"),
        TUNED("tuned for this printer");

        private final String words;

        Status(String words) {
            this.words = words;
        }

        /** The status in words. */
        public String words() {
            return words;
        }
    }

    /** Why a setting is what it is, and where that comes from; empty where it goes with the whole recipe. */
    public record Why(String reason, String source) {

        /** Nothing of its own. */
        public static final Why NONE = new Why("", "");
    }

    /**
     * What is kept of a setting beside its value.
     *
     * @param recommended what the datasheet said when it was frozen; empty where it said nothing
     * @param difference the used less the recommended, in words; empty where there is nothing to compare
     */
    public record Kept(String recommended, String difference, String reason, String source) {

        /** Nothing. */
        static final Kept NONE = new Kept("", "", "", "");
    }

    /** A recipe as other slices see it. */
    public record RecipeView(
            long id,
            long productId,
            long printerId,
            String printer,
            int revision,
            Map<RecipeField, String> entries,
            Map<RecipeField, Kept> kept,
            Status status,
            String source,
            String reason,
            String by,
            Instant at) {

        /** What it does not say, of all that somebody would have to know to repeat a result. */
        public List<String> unsaid(Family family) {
            return RecipeField.of(family).stream()
                    .filter(field -> entries.getOrDefault(field, "").isEmpty())
                    .map(RecipeField::title)
                    .toList();
        }

        /** What stands in the key of whatever is made by it: another printer or revision starts another series. */
        public Setup setup() {
            return Setup.printed(printer, revision);
        }

        /** Entries that differ from another recipe, in words. */
        public List<String> differences(RecipeView other) {
            return Arrays.stream(RecipeField.values())
                    .filter(field -> !entries.getOrDefault(field, "").equals(other.entries.getOrDefault(field, "")))
                    .map(field -> field.title() + " " + other.entries.getOrDefault(field, "nothing") + " → "
                            + entries.getOrDefault(field, "nothing"))
                    .toList();
        }
    }

    /** All recipes of a product, printer by printer, the newest revision first. */
    public List<RecipeView> of(long productId) {
        return of(List.of(productId)).getOrDefault(productId, List.of());
    }

    /** The same of several products. */
    public Map<Long, List<RecipeView>> of(Collection<Long> productIds) {
        return memory.each(
                "recipes", productIds, ids -> recipes.findByProductIdInOrderByPrinterIdAscRevisionDesc(ids).stream()
                        .map(this::view)
                        .collect(Collectors.groupingBy(RecipeView::productId, Collectors.toUnmodifiableList())));
    }

    /** The newest recipe for each printer. */
    public List<RecipeView> inForce(long productId) {
        Map<Long, RecipeView> newest = new LinkedHashMap<>();
        of(productId).forEach(recipe -> newest.putIfAbsent(recipe.printerId(), recipe));
        return List.copyOf(newest.values());
    }

    /** One recipe. */
    public RecipeView recipe(long id) {
        return recipes.findById(id).map(this::view).orElseThrow(() -> new NotFound("recipe " + id));
    }

    /** Freezes the next revision for a product and printer, whose settings all have the recipe's own reason and source. */
    @Write
    public RecipeView freeze(
            Products.ProductView product,
            long printerId,
            Map<RecipeField, String> entries,
            Status status,
            String source,
            String reason,
            String by) {
        return freeze(product, printerId, entries, Map.of(), status, source, reason, by);
    }

    /** Freezes the next revision for a product and printer. */
    @Write
    public RecipeView freeze(
            Products.ProductView product,
            long printerId,
            Map<RecipeField, String> sent,
            Map<RecipeField, Why> whys,
            Status status,
            String source,
            String reason,
            String by) {
        if (instruments.instrument(printerId).kind() != Kind.PRINTER) {
            throw new Refusal("printer", "Choose a printer of the register.");
        }
        Map<RecipeField, String> entries = new EnumMap<>(RecipeField.class);
        Problems problems = new Problems();
        for (RecipeField field : RecipeField.of(product.family())) {
            String text = sent.getOrDefault(field, "").strip();
            if (field.isRequired() || !text.isEmpty()) {
                problems.gather(() -> check(field, text));
                entries.put(field, text);
            }
        }
        problems.gather(() -> Reasons.require("reason", reason, "The reason why the settings change or begin", 300));
        if (source.isBlank() || source.length() > 200) {
            problems.add("source", "Say where the settings come from, in at most 200 characters.");
        }
        problems.refuse();
        requireHardened(product, printerId);
        printers.require("printer", printerId, asked(product, entries));
        Optional<RecipeView> before = recipes.findFirstByProductIdAndPrinterIdOrderByRevisionDesc(
                        product.id(), printerId)
                .map(this::view);
        if (before.isPresent() && before.get().entries().equals(entries)) {
            throw new Refusal(
                    "reason", "Nothing differs from revision " + before.get().revision() + ".");
        }
        Map<RecipeField, Kept> kept = kept(product, entries, whys);
        kept.forEach((field, one) -> {
            if (status == Status.MAKERS
                    && !one.difference().isEmpty()
                    && !one.difference().equals(Recommended.WITHIN)) {
                throw new Refusal(
                        "status",
                        "These are not the maker's settings, unchanged: " + field.title() + " lies " + one.difference()
                                + ".");
            }
        });
        Recipe row = new Recipe();
        row.productId = product.id();
        row.printerId = printerId;
        row.revision = before.map(RecipeView::revision).orElse(0) + 1;
        row.entries = entries.entrySet().stream()
                .map(entry -> entry.getKey().name() + ": " + entry.getValue())
                .collect(Collectors.joining("\n"));
        row.reasons = written(kept);
        row.status = status;
        row.source = source.strip();
        row.reason = reason.strip();
        row.frozenBy = by;
        row.frozenAt = clock.instant();
        return view(recipes.save(row));
    }

    /** Fibres ask for a hardened nozzle: of a printer of which nobody said anything nobody knows whether it has one. */
    private void requireHardened(Products.ProductView product, long printerId) {
        if (product.filled() && printers.limits(printerId).equals(PrinterLimits.UNKNOWN)) {
            throw new Refusal(
                    "printer",
                    product.name() + " is filled and asks for a hardened nozzle, and nobody said what "
                            + instruments.instrument(printerId).name()
                            + " can do. Say it on the printer's page under Equipment first.");
        }
    }

    private static void check(RecipeField field, String typed) {
        String text = typed.strip();
        if (text.isEmpty() || text.length() > 80 || text.contains("\n")) {
            throw new Refusal(field.name(), field.title() + " is missing; for example " + field.example() + ".");
        }
        if (field == RecipeField.PRINT_FILE && !text.matches("[0-9a-fA-F]{64}")) {
            throw new Refusal(
                    field.name(), field.title() + " has 64 characters, 0 to 9 and a to f; or send the file itself.");
        }
        // One vocabulary: a fan speed is never typed as a temperature, though words may stand in its field.
        field.topic().flatMap(Topic::dimension).ifPresent(dimension -> {
            Matcher number = Typed.NUMBER.matcher(text);
            Optional<UnitOfMeasure> unit = number.matches() ? UnitOfMeasure.find(number.group(2)) : Optional.empty();
            if (unit.filter(found -> found.dimension() != dimension).isPresent()
                    && !number.group(2).isBlank()) {
                throw new Refusal(
                        field.name(),
                        field.title() + ": '" + text + "' is "
                                + unit.get().dimension().phrase() + ", not " + dimension.phrase() + ".");
            }
        });
        field.dimension().ifPresent(Entry.strict(field.name(), field.title(), text)::neededQuantity);
    }

    /** Whether the printer can still follow a recipe that was frozen before somebody said what it can do. */
    public List<String> beyond(Products.ProductView product, RecipeView recipe) {
        return printers.limits(recipe.printerId()).beyond(asked(product, recipe.entries()));
    }

    /** Refuses to print by a recipe that its printer cannot follow. */
    public void requirePrinter(String field, Products.ProductView product, RecipeView recipe) {
        printers.require(field, recipe.printerId(), asked(product, recipe.entries()));
    }

    /** What a recipe asks of its printer. */
    private static PrinterLimits.Asked asked(Products.ProductView product, Map<RecipeField, String> entries) {
        return new PrinterLimits.Asked(
                quantity(RecipeField.NOZZLE, entries),
                quantity(RecipeField.BED, entries),
                quantity(RecipeField.CHAMBER_TEMPERATURE, entries),
                product.filled());
    }

    private static OptionalDouble quantity(RecipeField field, Map<RecipeField, String> entries) {
        return field.figure(entries.getOrDefault(field, ""));
    }

    /** Beside each setting what is published of it at this moment, how far it is from it, why, and where from. */
    private Map<RecipeField, Kept> kept(
            Products.ProductView product, Map<RecipeField, String> entries, Map<RecipeField, Why> whys) {
        List<Statement> said = publications
                .newestDatasheet(product.id())
                .map(sheet -> publications.statements(sheet.id()))
                .orElse(List.of());
        Map<RecipeField, Kept> kept = new EnumMap<>(RecipeField.class);
        entries.keySet().forEach(field -> {
            Optional<Statement> published = field.topic().flatMap(topic -> said.stream()
                    .filter(statement -> statement.topic().equals(topic))
                    .findFirst());
            Why why = whys.getOrDefault(field, Why.NONE);
            if (why.reason().length() > 200 || why.source().length() > 120) {
                throw new Refusal(
                        field.name(), field.title() + ": a reason has at most 200 characters, its source 120.");
            }
            kept.put(
                    field,
                    new Kept(
                            published.map(Recipes::words).orElse(""),
                            published
                                    .map(statement -> difference(field, statement, entries))
                                    .orElse(""),
                            why.reason(),
                            why.source()));
        });
        return kept;
    }

    private static String words(Statement statement) {
        return statement.asTyped().isEmpty() ? statement.words() : statement.asTyped();
    }

    private static String difference(RecipeField field, Statement published, Map<RecipeField, String> entries) {
        Optional<Dimension> dimension = published.topic().dimension();
        boolean numbers = published.value().isPresent()
                || published.low().isPresent()
                || published.high().isPresent();
        if (dimension.isEmpty() || !numbers) {
            return "";
        }
        // A limit is kept below, and what lies below it does not differ.
        boolean limit = published.topic().equals(Topic.FLOW_LIMIT);
        OptionalDouble used = field.figure(entries.getOrDefault(field, ""));
        return used.isEmpty()
                ? ""
                : Recommended.beside(
                                dimension.get(),
                                limit ? OptionalDouble.empty() : published.value(),
                                published.low(),
                                limit && published.high().isEmpty() ? published.value() : published.high(),
                                used.getAsDouble())
                        .words();
    }

    private static String written(Map<RecipeField, Kept> kept) {
        return kept.entrySet().stream()
                .map(entry -> entry.getKey().name()
                        + PARTED
                        + Stream.of(
                                        entry.getValue().recommended(),
                                        entry.getValue().difference(),
                                        entry.getValue().reason(),
                                        entry.getValue().source())
                                .map(part -> part.replace(PARTED, " ")
                                        .replaceAll("\\R", " ")
                                        .strip())
                                .collect(Collectors.joining(PARTED)))
                .collect(Collectors.joining("\n"));
    }

    private static Map<RecipeField, Kept> read(String written) {
        Map<RecipeField, Kept> kept = new EnumMap<>(RecipeField.class);
        written.lines()
                .map(line -> line.split(PARTED, -1))
                .filter(parts -> parts.length == 5)
                .forEach(parts -> known(parts[0])
                        .ifPresent(field -> kept.put(field, new Kept(parts[1], parts[2], parts[3], parts[4]))));
        return kept;
    }

    /** The field of a name; one that is no longer there takes no recipe down. */
    private static Optional<RecipeField> known(String name) {
        return Arrays.stream(RecipeField.values())
                .filter(field -> field.name().equals(name))
                .findFirst();
    }

    private RecipeView view(Recipe row) {
        Map<RecipeField, String> entries = new EnumMap<>(RecipeField.class);
        row.entries
                .lines()
                .map(line -> line.split(": ", 2))
                .filter(parts -> parts.length == 2)
                .forEach(parts -> known(parts[0]).ifPresent(field -> entries.put(field, parts[1])));
        return new RecipeView(
                row.id,
                row.productId,
                row.printerId,
                instruments.instrument(row.printerId).name(),
                row.revision,
                entries,
                read(row.reasons),
                row.status,
                row.source,
                row.reason,
                row.frozenBy,
                row.frozenAt);
    }
}
