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

    private static final List<Method> ALL = ServiceLoader.load(Method.class, Methods.class.getClassLoader()).stream()
            .map(ServiceLoader.Provider::get)
            .sorted(Comparator.comparing(method -> method.data().id()))
            .toList();

    private Methods() {}

    /** All of them by their ids. */
    public static List<Method> all() {
        return ALL;
    }

    /** The one of this id. */
    public static Optional<Method> of(String id) {
        return ALL.stream().filter(method -> method.data().id().equals(id)).findFirst();
    }
}
