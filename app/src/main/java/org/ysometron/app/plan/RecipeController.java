package org.ysometron.app.plan;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;

/** How a product's specimens are made: recipes for its printers, curing and annealing programmes, its reference lot. */
@Controller
class RecipeController {

    private final Products products;
    private final Instruments instruments;
    private final Recipes recipes;
    private final Treatments treatments;
    private final References references;
    private final Lots lots;
    private final Checked checked;

    RecipeController(
            Products products,
            Instruments instruments,
            Recipes recipes,
            Treatments treatments,
            References references,
            Lots lots,
            Checked checked) {
        this.checked = checked;
        this.products = products;
        this.instruments = instruments;
        this.recipes = recipes;
        this.treatments = treatments;
        this.references = references;
        this.lots = lots;
    }

    /** One setting: what is published and what the recipe uses, how far apart they are, and why. */
    record Setting(String title, Recipes.Kept kept, String used) {}

    /** A recipe with its settings beside what is published. */
    record RecipeRow(
            Recipes.RecipeView recipe,
            List<Setting> settings,
            List<String> unsaid,
            List<String> beyond,
            List<String> changes,
            boolean inForce) {}

    @GetMapping("/products/{code}/recipes")
    String page(@PathVariable String code, Model model) {
        return show(products.named(code), Map.of(), new Problems(), model);
    }

    @PostMapping("/products/{code}/recipes")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String freeze(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Products.ProductView product = products.named(code);
        Map<RecipeField, String> entries = new EnumMap<>(RecipeField.class);
        for (RecipeField field : RecipeField.of(product.family())) {
            entries.put(field, sent.getOrDefault(field.name(), "").strip());
        }
        Map<RecipeField, Recipes.Why> whys = new EnumMap<>(RecipeField.class);
        entries.keySet()
                .forEach(field -> whys.put(
                        field,
                        new Recipes.Why(
                                sent.getOrDefault("why-" + field.name(), "").strip(),
                                sent.getOrDefault("from-" + field.name(), "").strip())));
        return stored(
                product,
                sent,
                model,
                response,
                () -> recipes.freeze(
                        product,
                        key("printer", "The printer", sent.get("printer")),
                        entries,
                        whys,
                        "TUNED".equals(sent.get("status")) ? Recipes.Status.TUNED : Recipes.Status.MAKERS,
                        sent.getOrDefault("source", ""),
                        sent.getOrDefault("reason", ""),
                        by.getName()));
    }

    @PostMapping("/products/{code}/treatments")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String treat(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            @RequestParam(required = false) Treatments.@Nullable Kind kind,
            @RequestParam(required = false) Treatments.@Nullable Pose pose,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Products.ProductView product = products.named(code);
        return stored(
                product,
                sent,
                model,
                response,
                () -> treatments.freeze(
                        product.id(),
                        chosen(kind, "name", "Choose whether it cures or anneals."),
                        sent.getOrDefault("name", ""),
                        sent.getOrDefault("steps", ""),
                        chosen(pose, "name", "Choose how the specimens stand or lie."),
                        "TRIAL".equals(sent.get("treatmentStatus"))
                                ? Treatments.Status.TRIAL
                                : Treatments.Status.REFERENCE,
                        sent.getOrDefault("treatmentSource", ""),
                        by.getName()));
    }

    @PostMapping("/products/{code}/reference")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String retain(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Products.ProductView product = products.named(code);
        return stored(product, sent, model, response, () -> {
            var lot = lots.named(sent.getOrDefault("lot", "").strip());
            if (lot.productId() != product.id()) {
                throw new Refusal("lot", lot.code() + " is no lot of " + product.name() + ".");
            }
            references.retain(
                    lot,
                    Entry.strict("lot", "Beside how manieth lot it is tested", sent.get("every"))
                            .neededWhole(0, 9999),
                    Entry.strict("lot", "For how many specimens its material lasts", sent.get("stock"))
                            .neededWhole(0, 9999),
                    Entry.strict("lot", "The stock below which to warn", sent.get("warn"))
                            .neededWhole(0, 9999),
                    by.getName());
        });
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
            return "redirect:/products/" + product.code() + "/recipes";
        } catch (Refusal refusal) {
            problems.add(refusal);
        }
        response.setStatus(422);
        return show(product, sent, problems, model);
    }

    private String show(Products.ProductView product, Map<String, String> sent, Problems problems, Model model) {
        List<Recipes.RecipeView> all = recipes.of(product.id());
        List<RecipeRow> rows = new ArrayList<>();
        for (Recipes.RecipeView recipe : all) {
            Optional<Recipes.RecipeView> before = all.stream()
                    .filter(r -> r.printerId() == recipe.printerId() && r.revision() == recipe.revision() - 1)
                    .findFirst();
            boolean newest = all.stream()
                    .noneMatch(r -> r.printerId() == recipe.printerId() && r.revision() > recipe.revision());
            rows.add(new RecipeRow(
                    recipe,
                    settings(product, recipe),
                    recipe.unsaid(product.family()),
                    recipes.beyond(product, recipe),
                    before.map(recipe::differences).orElse(List.of()),
                    newest));
        }
        model.addAttribute("product", product);
        model.addAttribute("recipes", rows);
        model.addAttribute("fields", RecipeField.of(product.family()));
        model.addAttribute("typed", typed(product, sent, all));
        model.addAttribute(
                "checked",
                RecipeField.of(product.family()).stream()
                        .flatMap(field -> checked.of(product.id(), field).stream())
                        .toList());
        model.addAttribute("printers", instruments.ofKind(Kind.PRINTER));
        model.addAttribute("treatments", treatments.of(product.id()));
        model.addAttribute("kinds", Treatments.Kind.values());
        model.addAttribute("poses", Treatments.Pose.values());
        model.addAttribute("reference", references.of(product.id()).orElse(null));
        model.addAttribute("problems", problems);
        return "plan/recipes";
    }

    /** What was sent, else the newest recipe, so that a revision changes what changes. */
    private static Map<String, String> typed(
            Products.ProductView product, Map<String, String> sent, List<Recipes.RecipeView> all) {
        if (!sent.isEmpty()) {
            return sent;
        }
        Map<String, String> typed = new java.util.HashMap<>();
        if (!all.isEmpty()) {
            Recipes.RecipeView newest = all.get(0);
            RecipeField.of(product.family()).forEach(field -> {
                Recipes.Kept kept = newest.kept().getOrDefault(field, Recipes.Kept.NONE);
                typed.put(field.name(), newest.entries().getOrDefault(field, ""));
                typed.put("why-" + field.name(), kept.reason());
                typed.put("from-" + field.name(), kept.source());
            });
            typed.put("printer", String.valueOf(newest.printerId()));
            typed.put("status", newest.status().name());
        }
        return typed;
    }

    private static List<Setting> settings(Products.ProductView product, Recipes.RecipeView recipe) {
        return RecipeField.of(product.family()).stream()
                .filter(recipe.entries()::containsKey)
                .map(field -> new Setting(
                        field.title(),
                        recipe.kept().getOrDefault(field, Recipes.Kept.NONE),
                        recipe.entries().getOrDefault(field, "")))
                .toList();
    }

    private static <T> T chosen(@Nullable T value, String field, String message) {
        if (value == null) {
            throw new Refusal(field, message);
        }
        return value;
    }

    private static long key(String field, String name, @Nullable String typed) {
        return Entry.strict(field, name, typed)
                .key()
                .orElseThrow(() -> new Refusal(field, name + " is missing: choose one of the register."));
    }
}
