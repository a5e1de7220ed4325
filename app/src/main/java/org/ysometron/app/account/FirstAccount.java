package org.ysometron.app.account;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.ysometron.core.gate.Right;

/** On a site where nobody can sign in yet: opens one administrator and tells the password once. */
@Component
@Order(2)
class FirstAccount implements ApplicationRunner {

    private static final String NAME = "administrator";

    private final Accounts accounts;
    private final String file;
    private final boolean demo;

    FirstAccount(
            Accounts accounts,
            @Value("${ysometron.first-account-file}") String file,
            @Value("${ysometron.demo}") boolean demo) {
        this.accounts = accounts;
        this.file = file;
        this.demo = demo;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        if (demo || !accounts.none()) {
            return;
        }
        String password = Passwords.random();
        accounts.open(NAME, password, EnumSet.allOf(Right.class));
        String told = "First account: " + NAME + ", password " + password + " (shown this once; keep it safe)";
        if (file.isEmpty()) {
            System.out.println(told);
        } else {
            Files.writeString(Path.of(file), told + System.lineSeparator());
        }
    }
}
