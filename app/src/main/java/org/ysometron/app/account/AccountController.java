package org.ysometron.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Right;

/** One's own account, and everybody's for those who administer the site. */
@Controller
class AccountController {

    private static final int EVENTS = 200;
    private static final String ADMINISTERS = "hasAuthority('ADMINISTRATION')";

    private final Accounts accounts;
    private final AccountEvents events;

    AccountController(Accounts accounts, AccountEvents events) {
        this.accounts = accounts;
        this.events = events;
    }

    @GetMapping("/account")
    String own(@RequestParam(required = false) @Nullable String first, Model model) {
        model.addAttribute("first", first != null);
        model.addAttribute("shortest", Passwords.SHORTEST);
        return "account/own";
    }

    @PostMapping("/account/password")
    String change(
            @RequestParam(defaultValue = "") String old,
            @RequestParam(defaultValue = "") String fresh,
            @RequestParam(defaultValue = "") String again,
            Authentication who,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        try {
            UserDetails changed = accounts.change(who.getName(), old, fresh, again);
            request.changeSessionId();
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            context.setAuthentication(
                    UsernamePasswordAuthenticationToken.authenticated(changed, null, changed.getAuthorities()));
            SecurityContextHolder.setContext(context);
            new HttpSessionSecurityContextRepository().saveContext(context, request, response);
            return "redirect:/account?changed";
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("refusal", refusal);
            return own(null, model);
        }
    }

    @PostMapping("/account/sign-out-everywhere")
    String leaveEverywhere(Authentication who) {
        accounts.signOutEverywhere(who.getName());
        return "redirect:/sign-in?ended";
    }

    @GetMapping("/accounts")
    @PreAuthorize(ADMINISTERS)
    String all(Model model) {
        model.addAttribute("accounts", accounts.all());
        model.addAttribute("rights", Right.values());
        model.addAttribute("events", events.newest(EVENTS));
        return "account/all";
    }

    @PostMapping("/accounts")
    @PreAuthorize(ADMINISTERS)
    String add(
            @RequestParam(defaultValue = "") String name,
            @RequestParam(required = false) @Nullable List<Right> rights,
            HttpServletResponse response,
            Model model) {
        return told(
                model,
                response,
                name,
                () -> accounts.add(name.strip(), set(rights)),
                rights == null ? List.of() : rights);
    }

    /** Several at once, from a table; their first passwords are shown this once. */
    @PostMapping("/accounts/list")
    @PreAuthorize(ADMINISTERS)
    String addAll(@RequestParam(defaultValue = "") String rows, HttpServletResponse response, Model model) {
        try {
            response.setHeader("Cache-Control", "no-store");
            model.addAttribute("toldAll", accounts.addAll(rows));
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("refusal", refusal);
            model.addAttribute("typedRows", rows);
        }
        return all(model);
    }

    @PostMapping("/accounts/{name}/rights")
    @PreAuthorize(ADMINISTERS)
    String grant(
            @PathVariable String name,
            @RequestParam(required = false) @Nullable List<Right> rights,
            HttpServletResponse response,
            Model model) {
        return told(
                model,
                response,
                name,
                () -> {
                    accounts.grant(name, set(rights));
                    return "";
                },
                null);
    }

    @PostMapping("/accounts/{name}/disabled")
    @PreAuthorize(ADMINISTERS)
    String disable(
            @PathVariable String name,
            @RequestParam(defaultValue = "false") boolean disabled,
            HttpServletResponse response,
            Model model) {
        return told(
                model,
                response,
                name,
                () -> {
                    accounts.disable(name, disabled);
                    return "";
                },
                null);
    }

    @PostMapping("/accounts/{name}/reset")
    @PreAuthorize(ADMINISTERS)
    String reset(@PathVariable String name, Authentication who, HttpServletResponse response, Model model) {
        return told(model, response, name, () -> accounts.reset(name, who.getName()), null);
    }

    @PostMapping("/accounts/{name}/sign-out")
    @PreAuthorize(ADMINISTERS)
    String signOut(@PathVariable String name, HttpServletResponse response, Model model) {
        return told(
                model,
                response,
                name,
                () -> {
                    accounts.signOutEverywhere(name);
                    return "";
                },
                null);
    }

    /**
     * A step that may end in a password to be shown once; that page is not kept anywhere.
     *
     * @param typed rights that were typed for a new account; null where the step is about one that there is, whose row then says
     *     why it was refused
     */
    private String told(
            Model model,
            HttpServletResponse response,
            String name,
            java.util.function.Supplier<String> step,
            @Nullable List<Right> typed) {
        try {
            String password = step.get();
            if (password.isEmpty()) {
                return "redirect:/accounts";
            }
            response.setHeader("Cache-Control", "no-store");
            model.addAttribute("told", password);
            model.addAttribute("toldFor", name.strip());
        } catch (Refusal refusal) {
            response.setStatus(422);
            model.addAttribute("refusal", refusal);
            model.addAttribute("refusedAt", typed == null ? name : "");
            if (typed != null) {
                model.addAttribute("typedName", name);
                model.addAttribute("typedRights", typed);
            }
        }
        return all(model);
    }

    private static Set<Right> set(@Nullable List<Right> rights) {
        return rights == null || rights.isEmpty() ? Set.of() : EnumSet.copyOf(rights);
    }
}
