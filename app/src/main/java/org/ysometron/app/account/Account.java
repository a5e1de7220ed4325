package org.ysometron.app.account;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.ysometron.core.gate.Right;

@Entity
@Table(name = "account")
class Account {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String name;
    String passwordHash;
    String rights;
    boolean disabled;
    boolean mustChange;
    int epoch;
    Instant createdAt;

    Account() {}

    Account(String name, String passwordHash, Set<Right> rights, Instant createdAt) {
        this.name = name;
        this.passwordHash = passwordHash;
        this.createdAt = createdAt;
        grant(rights);
    }

    final void grant(Set<Right> wanted) {
        rights = wanted.stream().map(Right::name).sorted().collect(Collectors.joining(" "));
    }

    Set<Right> rights() {
        return Arrays.stream(rights.split(" "))
                .filter(right -> !right.isEmpty())
                .map(Right::valueOf)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Right.class)));
    }
}
