package org.ysometron.app.plan;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Setup;

/** Reference recipes: one a product and printer, frozen; a change is a new revision and starts new series. */
@Component
public class Recipes {

    private final PageMemory memory;
    private final RecipeRepository recipes;
    private final Instruments instruments;
    private final Clock clock;

    Recipes(PageMemory memory, RecipeRepository recipes, Instruments instruments, Clock clock) {
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

    /** A recipe as other slices see it. */
    public record RecipeView(
            long id,
            long productId,
            long printerId,
            String printer,
            int revision,
            Map<RecipeField, String> entries,
            Status status,
            String source,
            String reason,
            String by,
            Instant at) {

        /** What stands in the key of whatever is made by it: another printer or revision starts another series. */
        public Setup setup() {
            return Setup.printed(printer, revision);
        }

        /** Entries that differ from another recipe, in words. */
        public List<String> differences(RecipeView other) {
            return entries.entrySet().stream()
                    .filter(entry -> !entry.getValue().equals(other.entries.getOrDefault(entry.getKey(), "")))
                    .map(entry -> entry.getKey().title() + " " + other.entries.getOrDefault(entry.getKey(), "nothing")
                            + " → " + entry.getValue())
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

    /** Freezes the next revision for a product and printer. */
    @Write
    public RecipeView freeze(
            Products.ProductView product,
            long printerId,
            Map<RecipeField, String> entries,
            Status status,
            String source,
            String reason,
            String by) {
        if (instruments.instrument(printerId).kind() != Kind.PRINTER) {
            throw new Refusal("printer", "Choose a printer of the register.");
        }
        for (RecipeField field : RecipeField.of(product.family())) {
            check(field, entries.getOrDefault(field, ""));
        }
        Optional<RecipeView> before = recipes.findFirstByProductIdAndPrinterIdOrderByRevisionDesc(
                        product.id(), printerId)
                .map(this::view);
        if (before.isPresent() && before.get().entries().equals(entries)) {
            throw new Refusal(
                    "reason", "Nothing differs from revision " + before.get().revision() + ".");
        }
        Reasons.require("reason", reason, "The reason why the settings change or begin", 300);
        if (source.isBlank() || source.length() > 200) {
            throw new Refusal("source", "Say where the settings come from, in at most 200 characters.");
        }
        Recipe row = new Recipe();
        row.productId = product.id();
        row.printerId = printerId;
        row.revision = before.map(RecipeView::revision).orElse(0) + 1;
        row.entries = entries.entrySet().stream()
                .map(entry -> entry.getKey().name() + ": " + entry.getValue().strip())
                .collect(Collectors.joining("\n"));
        row.status = status;
        row.source = source.strip();
        row.reason = reason.strip();
        row.frozenBy = by;
        row.frozenAt = clock.instant();
        return view(recipes.save(row));
    }

    private static void check(RecipeField field, String typed) {
        String text = typed.strip();
        if (text.isEmpty() || text.length() > 80 || text.contains("\n")) {
            throw new Refusal(field.name(), field.title() + " is missing; for example " + field.example() + ".");
        }
        field.dimension().ifPresent(Entry.strict(field.name(), field.title(), text)::neededQuantity);
    }

    private RecipeView view(Recipe row) {
        Map<RecipeField, String> entries = new EnumMap<>(RecipeField.class);
        row.entries
                .lines()
                .map(line -> line.split(": ", 2))
                .forEach(parts -> entries.put(RecipeField.valueOf(parts[0]), parts[1]));
        return new RecipeView(
                row.id,
                row.productId,
                row.printerId,
                instruments.instrument(row.printerId).name(),
                row.revision,
                entries,
                row.status,
                row.source,
                row.reason,
                row.frozenBy,
                row.frozenAt);
    }
}
