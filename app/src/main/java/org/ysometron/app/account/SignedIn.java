package org.ysometron.app.account;

import java.util.Collection;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.userdetails.User;

/** A signed-in account, with the count that tells whether it was signed out everywhere since. */
final class SignedIn extends User {

    private static final long serialVersionUID = 1L;

    private final int epoch;

    SignedIn(String name, String hash, boolean enabled, int epoch, Collection<? extends GrantedAuthority> authorities) {
        super(name, hash, enabled, true, true, true, authorities);
        this.epoch = epoch;
    }

    int epoch() {
        return epoch;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof SignedIn signed && signed.epoch == epoch && super.equals(other);
    }

    @Override
    public int hashCode() {
        return super.hashCode();
    }
}
