package org.ysometron.app.store;

import java.util.HashMap;
import java.util.Map;
import java.util.function.Supplier;
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
        Map<Asked, Object> memory = memory(request);
        Asked asked = new Asked(what, key);
        @SuppressWarnings("unchecked") // put below under the same question, whose answers are all of one type
        T known = (T) memory.get(asked);
        if (known == null) {
            known = read.get();
            memory.put(asked, known);
        }
        return known;
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
    private static Map<Asked, Object> memory(ServletRequestAttributes request) {
        Map<Asked, Object> memory = (Map<Asked, Object>) request.getRequest().getAttribute(ATTRIBUTE);
        if (memory == null) {
            memory = new HashMap<>();
            request.getRequest().setAttribute(ATTRIBUTE, memory);
        }
        return memory;
    }
}
