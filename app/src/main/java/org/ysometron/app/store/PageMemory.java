package org.ysometron.app.store;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * What one page asks more than once is read once, and is the same all over the page. It is forgotten with the page, and whenever
 * something was written. A step that writes always reads for itself, for what it goes by must be as new as its lock.
 */
@Component
public class PageMemory {

    private static final String ATTRIBUTE = PageMemory.class.getName();

    private record Asked(String what, Object key) {}

    /**
     * The answer to a question that this page may have asked before.
     *
     * @param what the question
     * @param key what it is asked of
     * @param read finds the answer, which nobody may change
     */
    public <T> T once(String what, Object key, Supplier<T> read) {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request) || isWriting()) {
            return read.get();
        }
        Map<Asked, @Nullable Object> memory = memory(request);
        Asked asked = new Asked(what, key);
        @SuppressWarnings("unchecked") // put below under the same question, whose answers are all of one type
        T known = (T) memory.get(asked);
        if (known == null) {
            known = read.get();
            memory.put(asked, known);
        }
        return known;
    }

    /**
     * The answers for several keys, of which those that this page has not asked for yet are read together.
     *
     * @param what the question, the same as of {@link #once} for one key
     * @param read finds the answers to those not known, which nobody may change; a key may have none
     * @return the answers by key, without the keys that have none
     */
    public <K, T> Map<K, T> each(String what, Collection<K> keys, Function<List<K>, Map<K, T>> read) {
        List<K> wanted = keys.stream().distinct().toList();
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request) || isWriting()) {
            return wanted.isEmpty() ? Map.of() : read.apply(wanted);
        }
        Map<Asked, @Nullable Object> memory = memory(request);
        List<K> missing = wanted.stream()
                .filter(key -> !memory.containsKey(new Asked(what, key)))
                .toList();
        if (!missing.isEmpty()) {
            Map<K, T> found = read.apply(missing);
            missing.forEach(key -> memory.put(new Asked(what, key), found.get(key)));
        }
        Map<K, T> answers = new LinkedHashMap<>();
        for (K key : wanted) {
            @SuppressWarnings("unchecked") // put above under the same question, whose answers are all of one type
            T known = (T) memory.get(new Asked(what, key));
            if (known != null) {
                answers.put(key, known);
            }
        }
        return answers;
    }

    /** Forgets everything: what was read may be old now. */
    public static void forget() {
        if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request) {
            request.getRequest().removeAttribute(ATTRIBUTE);
        }
    }

    private static boolean isWriting() {
        return TransactionSynchronizationManager.isActualTransactionActive()
                && !TransactionSynchronizationManager.isCurrentTransactionReadOnly();
    }

    @SuppressWarnings("unchecked") // nobody else knows the attribute's name
    private static Map<Asked, @Nullable Object> memory(ServletRequestAttributes request) {
        Map<Asked, @Nullable Object> memory =
                (Map<Asked, @Nullable Object>) request.getRequest().getAttribute(ATTRIBUTE);
        if (memory == null) {
            memory = new HashMap<>();
            request.getRequest().setAttribute(ATTRIBUTE, memory);
        }
        return memory;
    }
}
