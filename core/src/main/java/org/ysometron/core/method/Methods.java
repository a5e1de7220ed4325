package org.ysometron.core.method;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;

/**
 * Every method there is: each class on the class path that says {@code @AutoService(Method.class)}, with the file beside it. One
 * that only the tests have is one of them while they run.
 */
public final class Methods {

    private static final String USUAL = "tension";

    private static final List<ServiceLoader.Provider<Method>> FOUND =
            ServiceLoader.load(Method.class, Methods.class.getClassLoader()).stream()
                    .toList();

    private Methods() {}

    /** Read when somebody asks for all. */
    private static final class Read {

        private static final List<Method> ALL = FOUND.stream()
                .map(ServiceLoader.Provider::get)
                .sorted(Comparator.comparing(
                                (Method method) -> !method.data().id().equals(USUAL))
                        .thenComparing(method -> method.data().id()))
                .toList();
    }

    /** All of them, the usual one first, then by their ids. */
    public static List<Method> all() {
        return Read.ALL;
    }

    /** The one of this id. */
    public static Optional<Method> of(String id) {
        return all().stream().filter(method -> method.data().id().equals(id)).findFirst();
    }

    /** The one that is meant where nobody said another. */
    public static Method usual() {
        return of(USUAL).orElseThrow();
    }

    /** What the method of this id is called; the id itself of one that is no longer in the catalogue. */
    public static String titleOf(String id) {
        return of(id).map(method -> method.data().title()).orElse(id);
    }

    /** The one that gives this characteristic; no file is read but those that name it. */
    public static Optional<Method> giving(String characteristic) {
        return FOUND.stream()
                .filter(provider -> MethodFile.textBeside(provider.type()).contains(characteristic))
                .map(ServiceLoader.Provider::get)
                .filter(method -> method.data().characteristics().stream()
                        .anyMatch(one -> one.id().equals(characteristic)))
                .findFirst();
    }
}
