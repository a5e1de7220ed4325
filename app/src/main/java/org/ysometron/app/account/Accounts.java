package org.ysometron.app.account;

import java.time.Clock;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.ysometron.app.account.AccountEvents.Kind;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.Table;
import org.ysometron.core.gate.Right;

/** The accounts. They are roles, not people; each right is an authority named as in {@link Right}. */
@Component
public class Accounts implements UserDetailsService {

    static final List<String> COLUMNS = List.of("name", "rights");
    private static final int MOST_AT_ONCE = 100;

    private final AccountRepository accounts;
    private final AccountEvents events;
    private final Guesses guesses;
    private final PasswordEncoder encoder;
    private final Clock clock;

    /** What every request asks about its account; forgotten whenever the account changes. */
    private final Map<String, State> known = new ConcurrentHashMap<>();

    Accounts(AccountRepository accounts, AccountEvents events, Guesses guesses, PasswordEncoder encoder, Clock clock) {
        this.accounts = accounts;
        this.events = events;
        this.guesses = guesses;
        this.encoder = encoder;
        this.clock = clock;
    }

    /** Whether an account may go on, and from which count on its sessions hold. */
    record State(boolean disabled, boolean mustChange, int epoch) {}

    /** An account as its page shows it. */
    record AccountView(String name, Set<Right> rights, boolean disabled, boolean mustChange) {

        public boolean has(String right) {
            return rights.contains(Right.valueOf(right));
        }
    }

    /** Opens an account whose password is known to whoever opens it; its password is kept only as a hash. */
    @Write
    public void open(String name, String password, Set<Right> rights) {
        accounts.save(new Account(name, hash(password), rights, clock.instant()));
    }

    private String hash(String password) {
        return Objects.requireNonNull(encoder.encode(password));
    }

    /** Adds an account; returns the password that is shown once and changed at its first sign-in. */
    @Write
    public String add(String name, Set<Right> rights) {
        if (!name.matches("[A-Za-z0-9][A-Za-z0-9._-]{1,39}")) {
            throw new Refusal(
                    "name", "A name has 2 to 40 letters, digits, dots, dashes and underscores, for example quality-2.");
        }
        if (accounts.findAll().stream().anyMatch(account -> account.name.equalsIgnoreCase(name))) {
            throw new Refusal("name", "There is already an account '" + name + "'.");
        }
        if (rights.isEmpty()) {
            throw new Refusal("rights", "An account without any right can only look; give it one at least.");
        }
        String password = Passwords.random();
        Account account = new Account(name, hash(password), rights, clock.instant());
        account.mustChange = true;
        accounts.save(account);
        events.record(name, Kind.ADDED, words(rights));
        return password;
    }

    /** Adds accounts from a table of names and rights, all or none; returns their first passwords in order. */
    @Write
    public Map<String, String> addAll(String text) {
        Map<String, String> passwords = new LinkedHashMap<>();
        Table.read(text, COLUMNS, Set.of(), MOST_AT_ONCE).each(row -> passwords.put(row.at("name"), add(row)));
        return passwords;
    }

    private String add(Table.Row row) {
        Set<Right> rights = EnumSet.noneOf(Right.class);
        for (String word : row.at("rights").split("[+ ]+")) {
            rights.add(Arrays.stream(Right.values())
                    .filter(right ->
                            right.name().equalsIgnoreCase(word) || right.words().equalsIgnoreCase(word))
                    .findFirst()
                    .orElseThrow(() -> new Refusal("'" + word + "' is no right; there are "
                            + Arrays.stream(Right.values()).map(Right::words).collect(Collectors.joining(", "))
                            + ".")));
        }
        return add(row.at("name"), rights);
    }

    /** Gives an account other rights; its sessions end, so that none goes on with the old ones. */
    @Write
    public void grant(String name, Set<Right> rights) {
        Account account = locked(name);
        if (!rights.contains(Right.ADMINISTRATION)) {
            requireAnotherAdministrator(account);
        }
        String before = words(account.rights());
        account.grant(rights);
        account.epoch++;
        known.remove(name);
        events.record(name, Kind.RIGHTS, before + " → " + words(rights));
    }

    /** Lets nobody in by it any more, or again. */
    @Write
    public void disable(String name, boolean disabled) {
        Account account = locked(name);
        if (disabled) {
            requireAnotherAdministrator(account);
        }
        account.disabled = disabled;
        account.epoch++;
        known.remove(name);
        events.record(name, disabled ? Kind.DISABLED : Kind.ENABLED, "");
    }

    /**
     * Gives somebody else's account a new password, shown once and changed at the next sign-in. Not one's own: its
     * sessions end with it, and a second click would take away the page that shows the only copy.
     */
    @Write
    public String reset(String name, String by) {
        if (name.equals(by)) {
            throw new Refusal(
                    "name", "A new password is for somebody else's account; change your own under your name above.");
        }
        Account account = locked(name);
        String password = Passwords.random();
        account.passwordHash = hash(password);
        account.mustChange = true;
        account.epoch++;
        known.remove(name);
        guesses.forget(name);
        events.record(name, Kind.RESET, "");
        return password;
    }

    /** Changes one's own password; returns the account as it is signed in from now on. Other sessions of it end. */
    @Write
    public UserDetails change(String name, String old, String fresh, String again) {
        if (!confirms(name, old)) {
            throw new Refusal("old", "That is not the present password of '" + name + "'.");
        }
        Passwords.problem(fresh, name).ifPresent(problem -> {
            throw new Refusal("fresh", problem);
        });
        if (fresh.equals(old)) {
            throw new Refusal("fresh", "That is the present password; take another.");
        }
        if (!fresh.equals(again)) {
            throw new Refusal("again", "The second one differs from the first.");
        }
        Account account = locked(name);
        account.passwordHash = hash(fresh);
        account.mustChange = false;
        account.epoch++;
        known.remove(name);
        events.record(name, Kind.PASSWORD, "");
        return details(account);
    }

    /** Ends every session of an account. */
    @Write
    public void signOutEverywhere(String name) {
        locked(name).epoch++;
        known.remove(name);
        events.record(name, Kind.SIGNED_OUT, "");
    }

    private Account locked(String name) {
        return accounts.lock(name).orElseThrow(() -> new NotFound("account '" + name + "'"));
    }

    private void requireAnotherAdministrator(Account without) {
        boolean there = accounts.findAll().stream()
                .anyMatch(account -> !account.disabled
                        && !account.name.equals(without.name)
                        && account.rights().contains(Right.ADMINISTRATION));
        boolean administers = without.rights().contains(Right.ADMINISTRATION) && !without.disabled;
        if (administers && !there) {
            throw new Refusal(
                    "rights", "'" + without.name + "' is the last that administers this site; name another first.");
        }
    }

    private static String words(Set<Right> rights) {
        return rights.isEmpty()
                ? "no right"
                : rights.stream().sorted().map(Right::words).collect(Collectors.joining(", "));
    }

    /** How many accounts that are open have this right. */
    public long having(Right right) {
        return accounts.findAll().stream()
                .filter(account -> !account.disabled && account.rights().contains(right))
                .count();
    }

    /** Whether nobody can sign in yet. */
    public boolean none() {
        return accounts.count() == 0;
    }

    /** Whether this is the account's password. Guessing is slowed here as at the door. */
    public boolean confirms(String name, String password) {
        Optional<String> slowed = guesses.begin(name, "");
        if (slowed.isPresent()) {
            throw new Refusal("password", slowed.get());
        }
        boolean right = accounts.findByName(name)
                .filter(account -> !account.disabled && encoder.matches(password, account.passwordHash))
                .isPresent();
        if (right) {
            guesses.forget(name);
        }
        return right;
    }

    /** All accounts by name. */
    List<AccountView> all() {
        return accounts.findAll().stream()
                .map(account -> new AccountView(account.name, account.rights(), account.disabled, account.mustChange))
                .sorted(Comparator.comparing(view -> view.name().toLowerCase(Locale.ROOT)))
                .toList();
    }

    /** Whether a session of this account, begun at this count, may go on. */
    Optional<State> state(String name) {
        State there = known.get(name);
        if (there != null) {
            return Optional.of(there);
        }
        Optional<State> read = accounts.findByName(name)
                .map(account -> new State(account.disabled, account.mustChange, account.epoch));
        read.ifPresent(state -> known.put(name, state));
        return read;
    }

    @Override
    public UserDetails loadUserByUsername(String name) {
        return details(accounts.findByName(name).orElseThrow(() -> new UsernameNotFoundException(name)));
    }

    private static UserDetails details(Account account) {
        String[] authorities = account.rights().stream().map(Right::name).toArray(String[]::new);
        return new SignedIn(
                account.name,
                account.passwordHash,
                !account.disabled,
                account.epoch,
                AuthorityUtils.createAuthorityList(authorities));
    }
}
