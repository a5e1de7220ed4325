package org.ysometron.app.bench;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import org.ysometron.core.method.End;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Noted;

/** What the end of a test asks for, of readings typed, of a file and of its preview alike. */
final class Closing {

    private Closing() {}

    /**
     * Which of what is read in a test carries its end: the sheet's own closing field, else the first that is there.
     *
     * @param test what is read in the test, in order
     * @param key of its field
     */
    static <T> Optional<T> of(MethodData data, List<T> test, Function<T, String> key) {
        return test.stream()
                .filter(one -> key.apply(one).equals(data.closing().key()))
                .findFirst()
                .or(() -> test.stream().findFirst());
    }

    /** The first field without which the test cannot end. */
    static Optional<Field> missing(MethodData data, Predicate<String> isRead) {
        return data.sheet().of(Field.Role.TEST).stream()
                .filter(field -> !field.optional() && !isRead.test(field.key()))
                .findFirst();
    }

    /** Whether it is void and nobody said why: the cause stands in the remark. */
    static boolean lacksCause(End end, Predicate<String> isRead) {
        return end == End.VOID && !isRead.test(Noted.REMARK);
    }
}
