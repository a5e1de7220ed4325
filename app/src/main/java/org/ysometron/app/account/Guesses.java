package org.ysometron.app.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Slows the guessing of passwords, by account and by address. A try counts as wrong from the moment it begins until it turned
 * out right, so that many at once do not slip through together.
 */
@Component
class Guesses {

    static final int FREE_BY_ACCOUNT = 5;
    static final int FREE_BY_ADDRESS = 20;
    private static final Duration REMEMBERED = Duration.ofMinutes(15);
    private static final Duration PAUSE = Duration.ofSeconds(30);
    private static final int MOST_KEPT = 10_000;

    private final Map<String, Deque<Instant>> tries = new HashMap<>();
    private final Clock clock;

    Guesses(Clock clock) {
        this.clock = clock;
    }

    /** Begins a try; what to say where it is refused unseen, for too many were wrong. */
    synchronized Optional<String> begin(String account, String address) {
        Instant now = clock.instant();
        String who = "account " + account.toLowerCase(Locale.ROOT);
        String from = "address " + address;
        Optional<Duration> wait = wait(who, FREE_BY_ACCOUNT, now)
                .or(() -> address.isEmpty() ? Optional.empty() : wait(from, FREE_BY_ADDRESS, now));
        if (wait.isPresent()) {
            long seconds = Math.max(1, wait.get().toSeconds());
            return Optional.of("Too many wrong tries. Wait " + seconds + " s, then try again.");
        }
        if (tries.size() > MOST_KEPT) {
            tries.clear();
        }
        tries.computeIfAbsent(who, key -> new ArrayDeque<>()).addLast(now);
        if (!address.isEmpty()) {
            tries.computeIfAbsent(from, key -> new ArrayDeque<>()).addLast(now);
        }
        return Optional.empty();
    }

    private Optional<Duration> wait(String key, int free, Instant now) {
        Deque<Instant> own = tries.getOrDefault(key, new ArrayDeque<>());
        while (!own.isEmpty() && own.peekFirst().plus(REMEMBERED).isBefore(now)) {
            own.removeFirst();
        }
        if (own.size() < free) {
            return Optional.empty();
        }
        Instant open = own.peekLast().plus(PAUSE);
        return now.isBefore(open) ? Optional.of(Duration.between(now, open)) : Optional.empty();
    }

    /** The password was right: the account's wrong tries are forgotten. Those of an address stay. */
    synchronized void forget(String account) {
        tries.remove("account " + account.toLowerCase(Locale.ROOT));
    }

    /** The same, and the last try from this address was none. */
    synchronized void right(String account, String address) {
        forget(account);
        Deque<Instant> own = tries.get("address " + address);
        if (own != null && !own.isEmpty()) {
            own.removeLast();
        }
    }
}
