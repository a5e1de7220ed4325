package org.ysometron.app.plan;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;

/** The catalogue of methods and the site's own settings. */
@Controller
class SiteController {

    private static final String MAY_CHANGE = "hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')";

    private final SiteMethods methods;
    private final Site site;

    SiteController(SiteMethods methods, Site site) {
        this.methods = methods;
        this.site = site;
    }

    @GetMapping("/methods")
    String catalogue(Model model) {
        return show("", List.of(), "", Map.of(), new Problems(), model);
    }

    @PostMapping("/methods/{method}")
    @PreAuthorize(MAY_CHANGE)
    String pin(
            @PathVariable String method,
            @RequestParam MultiValueMap<String, String> sent,
            @RequestParam(defaultValue = "") String reason,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Method known = Methods.of(method).orElseThrow(() -> new NotFound("method '" + method + "' in the catalogue"));
        List<String> values = sent.getOrDefault("values", List.of());
        Problems problems = new Problems();
        try {
            methods.pin(known, values, reason, by.getName());
            return "redirect:/methods#" + known.data().id();
        } catch (Refusal refusal) {
            problems.add(refusal);
        }
        response.setStatus(422);
        return show(method, values, reason, Map.of(), problems, model);
    }

    @PostMapping("/methods/site")
    @PreAuthorize(MAY_CHANGE)
    String change(
            @RequestParam(required = false) @Nullable Setting setting,
            @RequestParam(defaultValue = "") String typed,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Problems problems = new Problems();
        try {
            if (setting == null) {
                throw new Refusal("", "Choose what to change.");
            }
            site.change(setting, typed, by.getName());
            return "redirect:/methods#site";
        } catch (Refusal refusal) {
            problems.add(refusal);
        }
        response.setStatus(422);
        return show("", List.of(), "", setting == null ? Map.of() : Map.of(setting.name(), typed), problems, model);
    }

    private String show(
            String open,
            List<String> values,
            String reason,
            Map<String, String> typed,
            Problems problems,
            Model model) {
        model.addAttribute("methods", methods.all());
        model.addAttribute("settings", site.typed());
        model.addAttribute("open", open);
        model.addAttribute("values", values);
        model.addAttribute("reason", reason);
        model.addAttribute("typed", typed);
        model.addAttribute("problems", problems);
        return "plan/methods";
    }
}
