package org.ysometron.app.web;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Figures;

/**
 * One field of a form as somebody typed it, and the one reader of forms: what cannot be taken is said at its field, nothing is
 * guessed, and a blank field is nothing rather than zero. Readings of specimens go through their method's sheet instead.
 */
public final class Entry {

    private static final UnitOfMeasure SHARE = UnitOfMeasure.working(Dimension.RATIO);
    private static final double PERCENT = 100;

    private final Problems problems;
    private final String at;
    private final String name;
    private final String typed;
    private final boolean inRow;

    private Entry(Problems problems, String at, String name, @Nullable String typed, boolean inRow) {
        this.problems = problems;
        this.at = at;
        this.name = name;
        this.typed = typed == null ? "" : typed.strip();
        this.inRow = inRow;
    }

    /** A field whose message stands beside it. */
    static Entry field(Problems problems, String at, String name, @Nullable String typed) {
        return new Entry(problems, at, name, typed, false);
    }

    /** A cell of a row whose messages stand together, so that each says which cell it means. */
    static Entry cell(Problems problems, String row, String name, @Nullable String typed) {
        return new Entry(problems, row, name, typed, true);
    }

    /** A field read outside a form: what is wrong is thrown as a refusal at it. */
    public static Entry strict(String at, String name, @Nullable String typed) {
        return new Entry(Problems.thrown(), at, name, typed, false);
    }

    /** What was typed, without outer blanks. */
    public String typed() {
        return typed;
    }

    /** Whether nothing was typed. */
    public boolean isBlank() {
        return typed.isEmpty();
    }

    /** Text of at most {@code longest} characters, which may be missing. */
    public String text(int longest) {
        return problems.text(at, typed, name, longest, false);
    }

    /** The same, which must be there. */
    public String needed(int longest) {
        return problems.text(at, typed, name, longest, true);
    }

    /** A quantity in its working unit, typed with any unit of its dimension or bare; empty when blank or none. */
    public OptionalDouble quantity(Dimension dimension) {
        return quantity(UnitOfMeasure.working(dimension));
    }

    /** The same, where a bare number is meant in this unit. */
    public OptionalDouble quantity(UnitOfMeasure bare) {
        return isBlank() ? OptionalDouble.empty() : neededQuantity(bare);
    }

    /** A quantity that must be there. */
    public OptionalDouble neededQuantity(Dimension dimension) {
        return neededQuantity(UnitOfMeasure.working(dimension));
    }

    /** The same, where a bare number is meant in this unit. */
    public OptionalDouble neededQuantity(UnitOfMeasure bare) {
        Typed read = Typed.read(name, typed, bare);
        if (read instanceof Typed.Accepted accepted) {
            return OptionalDouble.of(accepted.value());
        }
        wrong(((Typed.Refused) read).problem());
        return OptionalDouble.empty();
    }

    /**
     * A quantity from {@code low} to {@code high}, both in the working unit; {@code otherwise} where it is blank or none.
     *
     * @param example what could be typed, for the message
     */
    public double within(Dimension dimension, double low, double high, double otherwise, String example) {
        OptionalDouble read = quantity(dimension);
        if (read.isPresent() && (read.getAsDouble() < low || read.getAsDouble() > high)) {
            String unit = UnitOfMeasure.working(dimension).symbol();
            wrong("is not between " + Figures.plain(low, 4) + " and " + (Figures.plain(high, 4) + " " + unit).strip()
                    + "; expected for example " + example);
            return otherwise;
        }
        return read.orElse(otherwise);
    }

    /** A share from nothing to the whole as a fraction, typed in percent with or without the sign; empty when blank or none. */
    public OptionalDouble share() {
        if (isBlank()) {
            return OptionalDouble.empty();
        }
        if (typed.matches("0+([.,]0*)?\\s*%?")) {
            return OptionalDouble.of(0);
        }
        String percent = typed.endsWith("%") ? typed : typed + " %";
        if (Typed.read(name, percent, SHARE) instanceof Typed.Accepted accepted && accepted.value() <= 1) {
            // Rounded to what anybody can weigh in, so that 2 % is 2 % whatever the way it was typed.
            return OptionalDouble.of(Math.round(accepted.value() * PERCENT * 1e8) / (PERCENT * 1e8));
        }
        wrong("is no share; expected for example 12 %");
        return OptionalDouble.empty();
    }

    /** A bare number above zero and up to {@code most}; empty when blank or none. */
    public OptionalDouble number(double most, String example) {
        if (isBlank()) {
            return OptionalDouble.empty();
        }
        if (Typed.read(name, typed, SHARE) instanceof Typed.Accepted accepted
                && accepted.unit().equals(SHARE)
                && accepted.number() <= most) {
            return OptionalDouble.of(accepted.number());
        }
        wrong("is not a number above zero; expected for example " + example);
        return OptionalDouble.empty();
    }

    /** A bare number from {@code low} to {@code high}, which may be zero; {@code otherwise} where it is blank or none. */
    public double between(double low, double high, double otherwise, String example) {
        if (isBlank()) {
            return otherwise;
        }
        if (low <= 0 && typed.matches("0+([.,]0*)?")) {
            return 0;
        }
        if (Typed.read(name, typed, SHARE) instanceof Typed.Accepted accepted
                && accepted.unit().equals(SHARE)
                && accepted.number() >= low
                && accepted.number() <= high) {
            return accepted.number();
        }
        wrong("is not between " + Figures.plain(low, 4) + " and " + Figures.plain(high, 4) + "; expected for example "
                + example);
        return otherwise;
    }

    /** A whole number from {@code low} to {@code high}; {@code otherwise} where it is blank or none. */
    public int whole(int low, int high, int otherwise) {
        return (int) number(low, high).orElse(otherwise);
    }

    /** A whole number from {@code low} to {@code high} that must be there; {@code low} where it is none. */
    public int neededWhole(int low, int high) {
        if (isBlank()) {
            missing(low + " to " + high);
        }
        return whole(low, high, low);
    }

    /** What a list gives as the key of a row; empty when blank or none. */
    public OptionalLong key() {
        return number(0, Long.MAX_VALUE);
    }

    private OptionalLong number(long low, long high) {
        if (isBlank()) {
            return OptionalLong.empty();
        }
        boolean whole = typed.matches("\\d{1,18}");
        long value = whole ? Long.parseLong(typed) : -1;
        if (value < low || value > high) {
            wrong(
                    high == Long.MAX_VALUE
                            ? "cannot be chosen here"
                            : "is not a whole number from " + low + " to " + high);
            return OptionalLong.empty();
        }
        return OptionalLong.of(value);
    }

    /** One of the words of the trade by its name, however it is spelt; empty when blank or none. */
    public <E extends Enum<E>> Optional<E> choice(E[] words) {
        String wanted = typed.toUpperCase(Locale.ROOT).replace('-', '_').replace(' ', '_');
        Optional<E> found =
                Arrays.stream(words).filter(word -> word.name().equals(wanted)).findFirst();
        if (found.isEmpty() && !isBlank()) {
            wrong("is no " + name.toLowerCase(Locale.ROOT) + " that is known here");
        }
        return found;
    }

    /** One of a few words as they stand in a list; empty when blank or none. */
    public Optional<String> choice(List<String> words) {
        Optional<String> found = words.stream().filter(typed::equals).findFirst();
        if (found.isEmpty() && !isBlank()) {
            wrong("cannot be chosen here");
        }
        return found;
    }

    /** A day with its time; empty when blank or none. */
    public Optional<LocalDateTime> moment() {
        return isBlank() ? Optional.empty() : neededMoment();
    }

    /** A day with its time that must be there. */
    public Optional<LocalDateTime> neededMoment() {
        return Optional.ofNullable(problems.moment(at, typed));
    }

    /** A day; {@code otherwise} when blank or none. */
    public LocalDate day(LocalDate otherwise) {
        return problems.date(at, typed, otherwise);
    }

    /** A day that must be there; only where what is wrong is thrown. */
    public LocalDate neededDay() {
        return Objects.requireNonNull(problems.date(at, typed));
    }

    /** The names of a list, parted by commas, semicolons, blanks or lines; each once. */
    public List<String> names() {
        return parted("[,;\\s]+");
    }

    /** The entries of a list, parted by commas or semicolons, for they may have blanks in them; each once. */
    public List<String> list() {
        return parted("[,;]");
    }

    private List<String> parted(String by) {
        return Arrays.stream(typed.split(by))
                .map(String::strip)
                .filter(part -> !part.isEmpty())
                .distinct()
                .toList();
    }

    /** The build of a part; empty when it cannot be read. */
    public Optional<Build> build(Optional<Basis> basis) {
        Build.Read read = Build.read(typed, basis);
        if (read instanceof Build.Read.Accepted accepted) {
            return Optional.of(accepted.value());
        }
        wrong(((Build.Read.Refused) read).problem());
        return Optional.empty();
    }

    /** Says that it must be there. */
    public void missing(String expected) {
        problems.add(at, name + " is missing; expected for example " + expected + ".");
    }

    /** Says that something else is wrong with it. */
    public void wrong(String what) {
        String quoted = "'" + typed + "' " + what + ".";
        problems.add(at, inRow ? name + ": " + quoted : quoted);
    }

    /** Says what a reader of its own found wrong with it. */
    public void wrong(Problem problem) {
        problems.add(at, inRow ? problem.text() : problem.beside());
    }
}
