package org.ysometron.core.publication;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Requirement;

/**
 * One thing that a publication says, in working units and as it was typed.
 *
 * @param id key of the stored row; 0 for one that is not stored
 * @param topic what it is about
 * @param form in which form it is promised
 * @param asTyped the value as published
 * @param value the value recommended or called typical; for better than, the share (0.1 for 10 %)
 * @param low lower edge or end of the range
 * @param high upper edge or end of the range
 * @param words for topics of words, what is said
 * @param qualifier what tells it from another statement on the topic: a light source, another product
 * @param terms the terms it is meant under
 * @param minimumN least number of specimens; 0 when not stated
 */
public record Statement(
        long id,
        Topic topic,
        Form form,
        String asTyped,
        OptionalDouble value,
        OptionalDouble low,
        OptionalDouble high,
        String words,
        String qualifier,
        Terms terms,
        int minimumN) {

    /** What it is about, to the orientation: statements with the same key speak of the same thing. */
    public String key() {
        String about = topic.name()
                + terms.orientation().map(o -> "/" + o.name()).orElse("")
                + (qualifier.isEmpty() ? "" : "/" + qualifier.strip().toLowerCase(Locale.ROOT));
        // A ratio names its orientations; one to a reference treatment is that of its treatment.
        return !topic.isRatio()
                ? about
                : topic.name()
                        + (topic.isTreated() ? "/" + terms.process() + "/" + qualifier.toLowerCase(Locale.ROOT) : "");
    }

    /** Whether it promises something of specimens and does not say how they lay. */
    boolean lacksOrientation() {
        return topic.needsTerms() && !topic.isRatio() && terms.orientation().isEmpty();
    }

    /** Whether another statement, for want of terms, may be read as speaking of the same. */
    boolean isSpokenOfBy(Statement bare) {
        return bare.topic.equals(topic) && bare.qualifier.equalsIgnoreCase(qualifier);
    }

    /** Topic and orientation in words. */
    public String title() {
        String orientation = topic.isRatio()
                ? ""
                : terms.orientation()
                        .map(o -> o.words().isEmpty() ? "" : ", " + o.words())
                        .orElse("");
        return topic.title() + orientation + (qualifier.isEmpty() ? "" : ", " + qualifier);
    }

    /** What it promises, where it promises something that can be verified. */
    public Optional<Requirement> requirement(Policy policy) {
        String unit =
                topic.dimension().map(dimension -> dimension.workingUnit()).orElse("");
        int n = minimumN > 0 ? minimumN : policy.leastSpecimens();
        return switch (form) {
            case AT_LEAST ->
                low.isPresent() ? Optional.of(Requirement.atLeast(low.getAsDouble(), unit, n)) : Optional.empty();
            case AT_MOST ->
                high.isPresent() ? Optional.of(Requirement.atMost(high.getAsDouble(), unit, n)) : Optional.empty();
            case BETWEEN -> between(unit, n);
            case TYPICAL -> low.isPresent() && high.isPresent() ? between(unit, n) : typical(policy, unit, n);
            case BETTER_THAN ->
                value.isPresent() ? Optional.of(Requirement.atLeast(1 + value.getAsDouble(), "", n)) : Optional.empty();
            case UP_TO, STATED -> Optional.empty();
        };
    }

    private Optional<Requirement> between(String unit, int n) {
        return low.isPresent() && high.isPresent() && low.getAsDouble() < high.getAsDouble()
                ? Optional.of(Requirement.between(low.getAsDouble(), high.getAsDouble(), unit, n))
                : Optional.empty();
    }

    private Optional<Requirement> typical(Policy policy, String unit, int n) {
        if (value.isEmpty()) {
            return Optional.empty();
        }
        double reach = policy.typicalTolerance() * value.getAsDouble();
        return Optional.of(Requirement.between(value.getAsDouble() - reach, value.getAsDouble() + reach, unit, n));
    }

    /** What is published, in words: form and value as typed. */
    public String published() {
        if (topic.dimension().isEmpty()) {
            return words;
        }
        return form == Form.STATED || form == Form.BETWEEN ? asTyped : form.words() + " " + asTyped;
    }
}
