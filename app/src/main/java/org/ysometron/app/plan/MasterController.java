package org.ysometron.app.plan;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.reading.Field;

/** What a product's results are compared with. */
@Controller
class MasterController {

    private final Products products;
    private final Masters masters;
    private final GradeWeights weighing;

    MasterController(Products products, Masters masters, GradeWeights weighing) {
        this.products = products;
        this.masters = masters;
        this.weighing = weighing;
    }

    /** A method with what its master has. */
    record Wanted(Method method, List<Field> fields) {}

    @GetMapping("/products/{code}/masters")
    String page(@PathVariable String code, Model model) {
        return show(products.named(code), Map.of(), new Problems(), model);
    }

    @PostMapping("/products/{code}/masters")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String propose(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Products.ProductView product = products.named(code);
        return stored(
                product,
                sent,
                model,
                response,
                () -> masters.propose(
                        product,
                        method(sent, "method"),
                        sent.getOrDefault("colour", ""),
                        sent,
                        sent.getOrDefault("source", ""),
                        sent.getOrDefault("reason", ""),
                        by.getName()));
    }

    @PostMapping("/products/{code}/masters/{id}")
    @PreAuthorize("hasAuthority('JUDGEMENT') or hasAuthority('RELEASE')")
    String sign(
            @PathVariable String code,
            @PathVariable long id,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Products.ProductView product = products.named(code);
        return stored(product, Map.of(), model, response, () -> masters.sign(product.id(), id, by.getName()));
    }

    @PostMapping("/products/{code}/weights")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String weigh(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Products.ProductView product = products.named(code);
        return stored(product, sent, model, response, () -> {
            Method method = method(sent, "weights");
            Map<String, Integer> entries = new LinkedHashMap<>();
            Problems strict = Problems.thrown();
            GradeWeights.elements(method)
                    .forEach(element -> entries.put(
                            element.key(),
                            strict.cell("weights", element.words(), sent.get("w-" + element.key()))
                                    .neededWhole(0, 10)));
            weighing.write(product, method, entries, sent.getOrDefault("why", ""), by.getName());
        });
    }

    private static Method method(Map<String, String> sent, String field) {
        return Methods.of(sent.getOrDefault("method", ""))
                .orElseThrow(() -> new Refusal(field, "Choose a method of the catalogue."));
    }

    private String stored(
            Products.ProductView product,
            Map<String, String> sent,
            Model model,
            HttpServletResponse response,
            Runnable store) {
        Problems problems = new Problems();
        try {
            store.run();
            return "redirect:/products/" + product.code() + "/masters";
        } catch (Refusal refusal) {
            problems.add(refusal);
        }
        response.setStatus(422);
        return show(product, sent, problems, model);
    }

    private String show(Products.ProductView product, Map<String, String> sent, Problems problems, Model model) {
        model.addAttribute("product", product);
        model.addAttribute("masters", masters.of(product.id()));
        model.addAttribute(
                "wanted",
                Masters.wanting().stream()
                        .map(method -> new Wanted(method, Masters.fields(method)))
                        .toList());
        model.addAttribute("weights", weighing.of(product.id()));
        model.addAttribute(
                "graded",
                GradeWeights.graded().stream()
                        .map(method -> new Wanted(method, GradeWeights.elements(method)))
                        .toList());
        model.addAttribute("typed", sent);
        model.addAttribute("problems", problems);
        return "plan/masters";
    }
}
