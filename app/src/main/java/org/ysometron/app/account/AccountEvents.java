package org.ysometron.app.account;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;

/** What happened to accounts: sign-ins, refusals, changes of rights. Kept, never taken back. */
@Component
class AccountEvents {

    private static final int LONGEST_NAME = 60;

    private final AccountEventRepository events;
    private final Clock clock;

    AccountEvents(AccountEventRepository events, Clock clock) {
        this.events = events;
        this.clock = clock;
    }

    /** The sorts of event. */
    enum Kind {
        SIGNED_IN("signed in"),
        REFUSED("refused"),
        SLOWED("refused for too many wrong tries"),
        ADDED("added"),
        RIGHTS("rights changed"),
        DISABLED("disabled"),
        ENABLED("enabled again"),
        RESET("password reset"),
        PASSWORD("password changed"),
        SIGNED_OUT("signed out everywhere");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** An event as the page shows it. */
    record EventView(Instant at, String account, Kind kind, String words, String by, String address) {}

    /** Writes down an event by whoever is signed in. */
    @Write
    public void record(String account, Kind kind, String words) {
        var who = SecurityContextHolder.getContext().getAuthentication();
        String address = who != null && who.getDetails() instanceof WebAuthenticationDetails details
                ? String.valueOf(details.getRemoteAddress())
                : "";
        record(account, kind, words, who == null ? "" : who.getName(), address);
    }

    /** Writes down an event. */
    @Write
    public void record(String account, Kind kind, String words, String by, String address) {
        AccountEvent row = new AccountEvent();
        row.happenedAt = clock.instant();
        row.account = cut(account);
        row.kind = kind;
        row.words = words.length() > 300 ? words.substring(0, 300) : words;
        row.byAccount = cut(by);
        row.address = cut(address);
        events.save(row);
    }

    private static String cut(String text) {
        String seen = text.replaceAll("\\p{Cntrl}", "?");
        return seen.length() > LONGEST_NAME ? seen.substring(0, LONGEST_NAME) : seen;
    }

    /** The newest events. */
    List<EventView> newest(int most) {
        return events.findByOrderByIdDesc(Limit.of(most)).stream()
                .map(row -> new EventView(row.happenedAt, row.account, row.kind, row.words, row.byAccount, row.address))
                .toList();
    }
}
