package org.ysometron.app.account;

import java.time.Clock;
import java.util.Set;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.core.gate.Right;

/** The accounts. They are roles, not people; each right is an authority named as in {@link Right}. */
@Component
public class Accounts implements UserDetailsService {

    private final AccountRepository accounts;
    private final PasswordEncoder encoder;
    private final Clock clock;

    Accounts(AccountRepository accounts, PasswordEncoder encoder, Clock clock) {
        this.accounts = accounts;
        this.encoder = encoder;
        this.clock = clock;
    }

    /** Opens an account; its password is kept only as a hash. */
    @Transactional
    public void open(String name, String password, Set<Right> rights) {
        String hash = java.util.Objects.requireNonNull(encoder.encode(password));
        accounts.save(new Account(name, hash, rights, clock.instant()));
    }

    /** Whether nobody can sign in yet. */
    public boolean none() {
        return accounts.count() == 0;
    }

    @Override
    public UserDetails loadUserByUsername(String name) {
        Account account = accounts.findByName(name).orElseThrow(() -> new UsernameNotFoundException(name));
        String[] authorities = account.rights().stream().map(Right::name).toArray(String[]::new);
        return User.withUsername(account.name)
                .password(account.passwordHash)
                .authorities(authorities)
                .build();
    }
}
