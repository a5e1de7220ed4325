package org.ysometron.app.plan;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.reading.Field;

/**
 * Weights by which grades are summed. They are written down before anything is graded: grades of before are shown beside each other and
 * never summed by weights that came after them.
 */
@Component
public class GradeWeights {

    private static final int MOST = 10;

    private final WeightsRepository weights;
    private final Clock clock;

    GradeWeights(WeightsRepository weights, Clock clock) {
        this.weights = weights;
        this.clock = clock;
    }

    /** Weights by key of the field, from when on they hold. */
    public record WeightsView(Method method, Map<String, Integer> entries, String reason, String by, Instant at) {

        /** Each with its element, the heaviest first. */
        public String words() {
            return entries.entrySet().stream()
                    .sorted(Map.Entry.<String, Integer>comparingByValue(Comparator.reverseOrder()))
                    .map(entry -> method.data()
                                    .sheet()
                                    .field(entry.getKey())
                                    .map(Field::words)
                                    .orElse(entry.getKey()) + " " + entry.getValue())
                    .collect(Collectors.joining(", "));
        }
    }

    /** The elements that a method grades once a specimen; none where it grades nothing, or one thing alone. */
    public static List<Field> elements(Method method) {
        List<Field> elements = method.data().sheet().of(Field.Role.TEST).stream()
                .filter(field -> field.kind() == Field.Kind.GRADE)
                .toList();
        return elements.size() > 1 ? elements : List.of();
    }

    /** The methods whose grades can be summed. */
    public static List<Method> graded() {
        return Methods.all().stream()
                .filter(method -> !elements(method).isEmpty())
                .toList();
    }

    /** All of a product, the oldest first. */
    public List<WeightsView> of(long productId) {
        return weights.findByProductIdOrderById(productId).stream()
                .flatMap(row -> view(row).stream())
                .toList();
    }

    /** The weights that stood when something was graded; empty where none did. */
    public static Optional<WeightsView> at(List<WeightsView> all, Method method, Instant graded) {
        return all.stream()
                .filter(one -> one.method().equals(method) && one.at().isBefore(graded))
                .reduce((first, last) -> last);
    }

    /** Writes weights down, one for each element. */
    @Write
    public void write(
            Products.ProductView product, Method method, Map<String, Integer> entries, String reason, String by) {
        List<Field> elements = elements(method);
        if (elements.isEmpty()) {
            throw new Refusal("weights", "Choose a method that grades several things.");
        }
        for (Field element : elements) {
            int weight = entries.getOrDefault(element.key(), -1);
            if (weight < 0 || weight > MOST) {
                throw new Refusal("weights", "Give " + element.words() + " a weight from 0 to " + MOST + ".");
            }
        }
        if (entries.values().stream().allMatch(weight -> weight == 0)) {
            throw new Refusal("weights", "Nothing has a weight: a sum of nothing says nothing.");
        }
        Reasons.require("weights", reason, "The reason", 300);
        boolean alike = of(product.id()).stream()
                .filter(one -> one.method().equals(method))
                .reduce((first, last) -> last)
                .filter(last -> last.entries().equals(entries))
                .isPresent();
        if (alike) {
            throw new Refusal("weights", "Nothing differs from the weights that stand.");
        }
        Weights row = new Weights();
        row.productId = product.id();
        row.method = method.data().id();
        row.entries = elements.stream()
                .map(element -> element.key() + ": " + entries.get(element.key()))
                .collect(Collectors.joining("\n"));
        row.reason = reason.strip();
        row.writtenBy = by;
        row.writtenAt = clock.instant();
        weights.save(row);
    }

    private static Optional<WeightsView> view(Weights row) {
        Map<String, Integer> entries = new LinkedHashMap<>();
        row.entries
                .lines()
                .map(line -> line.split(": ", 2))
                .filter(parts -> parts.length == 2 && parts[1].matches("[0-9]{1,3}"))
                .forEach(parts -> entries.put(parts[0], Integer.valueOf(parts[1])));
        return Methods.of(row.method)
                .map(method -> new WeightsView(method, entries, row.reason, row.writtenBy, row.writtenAt));
    }
}
