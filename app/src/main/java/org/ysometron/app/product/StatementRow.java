package org.ysometron.app.product;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.util.MultiValueMap;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest.Specimen;
import org.ysometron.core.publication.Completeness;
import org.ysometron.core.publication.PublishedValue;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;

/**
 * One statement of a publication as typed or as it stands in a file. An empty published value makes an empty row, which
 * says nothing.
 */
record StatementRow(
        String topic,
        String form,
        String published,
        String qualifier,
        String method,
        String basis,
        String orientation,
        String conditioning,
        String rate,
        String specimens,
        String process,
        String build,
        String specimen) {

    static final List<String> FIELDS = List.of(
            "topic",
            "form",
            "published",
            "qualifier",
            "method",
            "basis",
            "orientation",
            "conditioning",
            "rate",
            "specimens",
            "process",
            "build",
            "specimen");

    /** Statements of one publication at the most. */
    static final int MOST = 500;

    static StatementRow blank() {
        return of(Map.of());
    }

    static StatementRow of(Map<String, String> fields) {
        List<String> values = FIELDS.stream()
                .map(field -> fields.getOrDefault(field, "").strip())
                .toList();
        return new StatementRow(
                values.get(0),
                values.get(1),
                values.get(2),
                values.get(3),
                values.get(4),
                values.get(5),
                values.get(6),
                values.get(7),
                values.get(8),
                values.get(9),
                values.get(10),
                values.get(11),
                values.get(12));
    }

    /** A publication of more rows is a slip: no datasheet says so much. */
    static void requireFew(int rows) {
        if (rows > MOST) {
            throw new Refusal(
                    "file", "That is " + rows + " statements; " + MOST + " are the most that one publication takes.");
        }
    }

    /** The rows of a sent form, whose fields come in parallel lists. */
    static List<StatementRow> of(MultiValueMap<String, String> sent) {
        int count = sent.getOrDefault("topic", List.of()).size();
        requireFew(count);
        List<StatementRow> rows = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Map<String, String> fields = new java.util.HashMap<>();
            for (String field : FIELDS) {
                List<String> column = sent.getOrDefault(field, List.of());
                fields.put(field, i < column.size() && column.get(i) != null ? column.get(i) : "");
            }
            rows.add(of(fields));
        }
        return rows;
    }

    static StatementRow of(Statement statement) {
        Terms terms = statement.terms();
        return new StatementRow(
                statement.topic().name(),
                statement.form().name(),
                statement.topic().dimension().isEmpty() ? statement.words() : statement.asTyped(),
                statement.qualifier(),
                terms.method().orElse(""),
                terms.basis().map(Enum::name).orElse(""),
                terms.orientation().map(Enum::name).orElse(""),
                terms.conditioning().map(Enum::name).orElse(""),
                Conditions.rateTyped(terms.rate().orElse(0)),
                statement.minimumN() == 0 ? "" : String.valueOf(statement.minimumN()),
                terms.process(),
                terms.build().words(),
                told(terms));
    }

    /** The specimen where it is not the one that is meant when none is told. */
    private static String told(Terms terms) {
        Optional<Specimen> told = terms.method().flatMap(Methods::of).flatMap(tested -> terms.design()
                .flatMap(title -> Specimen.titled(tested, title))
                .filter(found -> !Specimen.usual(tested).equals(Optional.of(found))));
        return told.map(Specimen::title).orElse("");
    }

    /** What {@link #choice} can offer, of every method. */
    static List<String> choices() {
        return Methods.all().stream()
                .flatMap(tested -> choice(tested).stream())
                .distinct()
                .toList();
    }

    /** The specimens to choose from, where the method is done on more than one. */
    public List<String> choice() {
        return methodNamed().flatMap(Methods::of).map(StatementRow::choice).orElse(List.of());
    }

    /** Whether nobody knows what is meant until the specimen is told. */
    public boolean mustChoose() {
        return methodNamed()
                .flatMap(Methods::of)
                .filter(tested -> Specimen.usual(tested).isEmpty())
                .isPresent();
    }

    /** The specimen that is meant where none is told, for who looks at the empty field. */
    public String usual() {
        Optional<Method> tested = methodNamed().flatMap(Methods::of);
        return tested.isEmpty()
                ? "the method's usual unless told"
                : tested.flatMap(Specimen::usual).map(Specimen::title).orElse("choose: which way does its notch face?");
    }

    private static List<String> choice(Method tested) {
        List<String> titles = Specimen.of(tested).stream()
                .filter(specimen -> Designs.isOffered(specimen.design()))
                .map(Specimen::title)
                .toList();
        return titles.size() > 1 ? titles : List.of();
    }

    Map<String, String> fields() {
        Map<String, String> fields = new java.util.LinkedHashMap<>();
        List<String> values = List.of(
                topic,
                form,
                published,
                qualifier,
                method,
                basis,
                orientation,
                conditioning,
                rate,
                specimens,
                process,
                build,
                specimen);
        for (int i = 0; i < FIELDS.size(); i++) {
            fields.put(FIELDS.get(i), values.get(i));
        }
        return fields;
    }

    /** What is wrong with the row, or what nobody could test as it stands; empty when there is nothing to say. */
    String said(Products products) {
        if (isEmpty() || topic.isEmpty()) {
            return "";
        }
        Problems problems = new Problems();
        Optional<Publications.Draft> draft = draft("row", products, problems);
        if (!problems.none()) {
            return String.valueOf(problems.at("row"));
        }
        List<String> missing = draft.map(found -> Completeness.untestableFor(found.statement()))
                .orElse(List.of());
        return missing.isEmpty() ? "" : "Nobody can test it like this: no " + String.join(", no ", missing) + ".";
    }

    /** What the row is about in words, as they stand in the list to choose from; what was typed where nothing is called so. */
    public String about() {
        return Topic.meant(topic).map(Topic::title).orElse(topic);
    }

    /** The method in words, likewise. */
    public String tested() {
        return methodNamed()
                .flatMap(Methods::of)
                .map(known -> known.data().title())
                .orElse(method);
    }

    boolean isEmpty() {
        return published.isEmpty();
    }

    /** Reads every row that says something; what is wrong is told at {@code row-1}, {@code row-2} and so on. */
    static List<Publications.Draft> read(List<StatementRow> rows, Products products, Problems problems) {
        List<Publications.Draft> drafts = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            StatementRow row = rows.get(i);
            if (!row.isEmpty()) {
                row.draft("row-" + (i + 1), products, problems).ifPresent(drafts::add);
            }
        }
        if (drafts.isEmpty() && problems.none()) {
            problems.add("", "Nothing is said: fill in at least one row.");
        }
        return drafts;
    }

    private Optional<Publications.Draft> draft(String at, Products products, Problems problems) {
        Optional<Topic> about = topic(at, problems);
        if (about.isEmpty()) {
            problems.add(at, "Choose what '" + published + "' is about.");
            return Optional.empty();
        }
        Dimension dimension = about.get().dimension().orElse(null);
        if (published.length() > (dimension == null ? 400 : 120)
                || qualifier.length() > 80
                || process.length() > 120
                || specimen.length() > 120) {
            problems.add(
                    at, "A value has at most 120 characters, words 400, a qualifier 80, a process or specimen 120.");
            return Optional.empty();
        }
        Form promised = dimension == null
                ? Form.STATED
                : problems.cell(at, "Form", form).choice(Form.values()).orElse(Form.STATED);
        Optional<Terms> terms = terms(at, about.get(), problems);
        int least =
                problems.cell(at, "The least number of specimens", specimens).whole(2, 100, 0);
        PublishedValue value =
                new PublishedValue(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());
        if (dimension != null) {
            Optional<PublishedValue> read = value(at, about.get(), promised, dimension, problems);
            if (read.isEmpty()) {
                return Optional.empty();
            }
            value = read.get();
        }
        terms.ifPresent(stated -> ratio(at, about.get(), stated, problems));
        Long rival = rival(at, promised, products, problems);
        return problems.at(at) != null || terms.isEmpty()
                ? Optional.empty()
                : Optional.of(new Publications.Draft(
                        new Statement(
                                0,
                                about.get(),
                                promised,
                                dimension == null ? "" : published,
                                value.value(),
                                value.low(),
                                value.high(),
                                dimension == null ? published : "",
                                qualifier,
                                terms.get(),
                                least),
                        rival));
    }

    /** A ratio says under which terms it stands above. */
    private static void ratio(String at, Topic about, Terms stated, Problems problems) {
        if (!about.isRatio()) {
            return;
        }
        if (about.isTreated() && stated.process().isEmpty()) {
            problems.add(
                    at,
                    "After which treatment? Say it under 'exposure, cure', and under 'of what' the reference treatment, where"
                            + " it has one.");
        }
        boolean along = about.property().map(Characteristic::ratio).equals(Optional.of(Ratio.ALONG_ACROSS));
        if (along && stated.orientation().isPresent() && stated.orientation().get() != Orientation.XY) {
            problems.add(at, "A ratio along/across is of XY over YX: choose XY.");
        }
    }

    private Optional<Topic> topic(String at, Problems problems) {
        if (topic.isEmpty()) {
            return Optional.empty();
        }
        Optional<Topic> found = Topic.meant(topic);
        if (found.isEmpty()) {
            problems.add(at, "'" + topic + "' is no topic that is known here.");
        }
        return found;
    }

    /** The method that is named by its id or its title; what is typed where nothing is called so. */
    private Optional<String> methodNamed() {
        return method.isEmpty()
                ? Optional.empty()
                : Optional.of(Methods.all().stream()
                        .map(Method::data)
                        .filter(data -> data.id().equalsIgnoreCase(method)
                                || data.title().equalsIgnoreCase(method))
                        .map(MethodData::id)
                        .findFirst()
                        .orElse(method));
    }

    private Optional<PublishedValue> value(
            String at, Topic about, Form promised, Dimension dimension, Problems problems) {
        // Better than another product is a share, whatever the property.
        Dimension wanted = promised == Form.BETTER_THAN ? Dimension.RATIO : dimension;
        PublishedValue.Read read = PublishedValue.read(about.title(), published, wanted);
        if (read instanceof PublishedValue.Read.Accepted accepted) {
            read = accepted.value().in(promised, about.title(), published);
        }
        if (read instanceof PublishedValue.Read.Accepted accepted) {
            return Optional.of(accepted.value());
        }
        problems.cell(at, about.title(), published).wrong(((PublishedValue.Read.Refused) read).problem());
        return Optional.empty();
    }

    private Optional<Terms> terms(String at, Topic about, Problems problems) {
        Optional<Basis> on = problems.cell(at, "Basis", basis).choice(Basis.values());
        OptionalDouble speed = problems.cell(at, "Rate", rate).quantity(Dimension.SPEED);
        Optional<Build> built = problems.cell(at, "Walls and infill", build).build(on);
        if (built.isEmpty() || problems.at(at) != null) {
            return Optional.empty();
        }
        Optional<String> named = methodNamed();
        // Whatever is not told is not guessed, but for the usual specimen of the method.
        Method tested = named.flatMap(Methods::of).orElseGet(Methods::usual);
        if (speed.isEmpty() && named.isPresent() && !tested.data().rated()) {
            speed = OptionalDouble.of(0);
        }
        Optional<String> design = about.needsTerms() ? specimen(at, tested, problems) : Optional.empty();
        if (named.isPresent() && !tested.data().isOnPrints()) {
            return Optional.of(new Terms(
                    named,
                    Optional.of(Basis.AS_SUPPLIED),
                    Optional.of(Orientation.NONE),
                    Optional.of(Conditioning.NONE),
                    speed,
                    design,
                    process,
                    Build.NONE));
        }
        return Optional.of(new Terms(
                named,
                on,
                problems.cell(at, "Orientation", orientation).choice(Orientation.values()),
                problems.cell(at, "Conditioning", conditioning).choice(Conditioning.values()),
                speed,
                design,
                process,
                built.get()));
    }

    /** The specimen as a title of terms; empty where nobody says which way its notch faces. */
    private Optional<String> specimen(String at, Method tested, Problems problems) {
        if (specimen.isEmpty()) {
            return Specimen.usual(tested).map(Specimen::title);
        }
        Optional<Specimen> told = Specimen.titled(tested, specimen);
        if (told.isEmpty()) {
            problems.add(
                    at,
                    "'" + specimen + "' is no specimen of " + tested.data().title() + "; there are: "
                            + Specimen.of(tested).stream().map(Specimen::title).collect(Collectors.joining("; "))
                            + ".");
        }
        return told.map(Specimen::title);
    }

    private @Nullable Long rival(String at, Form promised, Products products, Problems problems) {
        if (promised != Form.BETTER_THAN) {
            return null;
        }
        Optional<Products.ProductView> found = qualifier.isEmpty() ? Optional.empty() : products.find(qualifier);
        if (found.isEmpty()) {
            problems.add(at, "Better than which product? Name one of ours under 'of what'.");
        }
        return found.map(Products.ProductView::id).orElse(null);
    }
}
