package org.ysometron.app.make;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.plan.RecipeField;
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.Sent;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.plan.Plate;
import org.ysometron.core.quantity.Dimension;

/** How a lot's specimens are made: print runs, chambers, conditioning, rework, deliveries, labels. */
@Controller
class MakeController {

    private final Lots lots;
    private final Plans plans;
    private final MakePages pages;
    private final Runs runs;
    private final Chambers chambers;
    private final Histories histories;
    private final Boughts boughts;
    private final Climates climates;
    private final Marks marks;
    private final Orders orders;
    private final Prints prints;
    private final Clock clock;

    MakeController(
            Lots lots,
            Plans plans,
            MakePages pages,
            Runs runs,
            Chambers chambers,
            Histories histories,
            Boughts boughts,
            Climates climates,
            Marks marks,
            Orders orders,
            Prints prints,
            Clock clock) {
        this.prints = prints;
        this.lots = lots;
        this.plans = plans;
        this.pages = pages;
        this.runs = runs;
        this.chambers = chambers;
        this.histories = histories;
        this.boughts = boughts;
        this.climates = climates;
        this.marks = marks;
        this.orders = orders;
        this.clock = clock;
    }

    @GetMapping("/lots/{code}/make")
    String page(@PathVariable String code, Model model) {
        pages.page(lots.named(code), Map.of(), new Problems(), model);
        return "make/make";
    }

    /** The address of a form that was refused: somebody loads it again, or comes back to it. */
    @GetMapping("/lots/{code}/make/{part}")
    String again(@PathVariable String code, @PathVariable String part) {
        return "redirect:/lots/" + lots.named(code).code() + "/make#" + (part.matches("[a-z]+") ? part : "");
    }

    @GetMapping("/lots/{code}/labels")
    String labels(@PathVariable String code, @RequestParam(required = false) @Nullable String specimen, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        model.addAttribute("labels", pages.labels(lot, specimen));
        return "make/labels";
    }

    @GetMapping("/lots/{code}/specimen-sheet")
    String sheet(@PathVariable String code, Model model) {
        LotView lot = lots.named(code);
        model.addAttribute("lot", lot);
        model.addAttribute("parts", pages.sheet(lot));
        model.addAttribute("order", orders.number(lot.id()).orElse(null));
        return "make/sheet";
    }

    /** A form of the page: what it stores, or why not, with everything that was typed. */
    private interface Step {
        void store(LotView lot, Sent form);
    }

    private String stored(
            String code,
            Map<String, String> sent,
            String anchor,
            Model model,
            HttpServletResponse response,
            Step step) {
        LotView lot = lots.named(code);
        Problems problems = new Problems();
        try {
            step.store(lot, new Sent(sent, problems, anchor));
        } catch (NotFound unknown) {
            problems.add(anchor, String.valueOf(unknown.getMessage()));
        } catch (Refusal refusal) {
            problems.add(anchor, refusal.words());
        }
        if (problems.none()) {
            return "redirect:/lots/" + code + "/make#" + anchor;
        }
        response.setStatus(422);
        pages.page(lot, sent, problems, model);
        model.addAttribute("open", anchor);
        return "make/make";
    }

    @PostMapping("/lots/{code}/make/runs")
    @PreAuthorize("hasAuthority('ENTRY')")
    String print(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "runs", model, response, (lot, form) -> {
            LocalDateTime started =
                    form.inForm("startedAt", "The start").neededMoment().orElse(null);
            List<Runs.Batch> batches = new ArrayList<>();
            List<Plans.Line> lines =
                    plans.ofLot(lot.id()).map(Plans.LotPlanView::lines).orElse(List.of());
            for (int i = 0; i < lines.size(); i++) {
                int count = form.inForm("count-" + i, "Line " + (i + 1)).whole(0, Lots.LARGEST_SET, 0);
                if (count > 0 && !lines.get(i).leftOut()) {
                    batches.add(new Runs.Batch(lines.get(i).test(), count));
                }
            }
            Runs.NewRun run = new Runs.NewRun(
                    form.request(),
                    form.inForm("recipe", "The recipe").whole(0, Integer.MAX_VALUE, 0),
                    sample(form),
                    started == null ? LocalDateTime.now(clock) : started,
                    surroundings(form),
                    used(form),
                    new Plate(side(form, "plateWidth"), side(form, "plateDepth")),
                    batches,
                    scale(form),
                    form.inForm("reference", "Specimens of the reference lot").whole(0, Lots.LARGEST_SET, 0),
                    form.ticked("anyway"));
            if (form.isRight()) {
                runs.print(lot, run, by.getName());
            }
        });
    }

    @PostMapping("/lots/{code}/make/pieces")
    @PreAuthorize("hasAuthority('ENTRY')")
    String take(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "pieces", model, response, (lot, form) -> {
            LocalDateTime at = form.inForm("takenAt", "When they were taken")
                    .neededMoment()
                    .orElse(null);
            int line = form.inForm("line", "The line").whole(0, 1000, -1);
            int count = form.inForm("count", "How many").neededWhole(1, Lots.LARGEST_SET);
            List<Plans.Line> lines =
                    plans.ofLot(lot.id()).map(Plans.LotPlanView::lines).orElse(List.of());
            if (line < 0 || line >= lines.size()) {
                form.wrong("Choose the line of the plan that they are for.");
            } else if (form.isRight() && at != null) {
                runs.take(
                        lot,
                        form.request(),
                        new Runs.Batch(lines.get(line).test(), count),
                        sample(form),
                        at,
                        by.getName());
            }
        });
    }

    @PostMapping("/lots/{code}/make/chambers")
    @PreAuthorize("hasAuthority('ENTRY')")
    String treat(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            @RequestParam(required = false) Treatments.@Nullable Pose pose,
            @RequestParam(required = false) Chambers.@Nullable Placing placing,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "chambers", model, response, (lot, form) -> {
            LocalDateTime began =
                    form.inForm("beganAt", "The begin").neededMoment().orElse(null);
            if (pose == null || placing == null) {
                form.wrong("Choose the pose, and whether places are fixed or changed.");
                return;
            }
            Chambers.NewChamber run = new Chambers.NewChamber(
                    form.request(),
                    form.inForm("treatment", "The programme").whole(0, Integer.MAX_VALUE, 0),
                    form.inForm("chamber", "The chamber").whole(0, Integer.MAX_VALUE, 0),
                    began == null ? LocalDateTime.now(clock) : began,
                    form.inForm("cycles", "The cycles").whole(0, 100, 1),
                    form.inForm("rows", "The rows").whole(0, 100, 2),
                    form.inForm("columns", "The columns").whole(0, 100, 5),
                    placing,
                    pose,
                    form.inForm("inside", "The specimens").names(),
                    form.inForm("reached", "What was reached").text(120));
            if (form.isRight()) {
                chambers.treat(lot, run, by.getName());
            }
        });
    }

    @PostMapping("/lots/{code}/make/rework")
    @PreAuthorize("hasAuthority('ENTRY')")
    String rework(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            @RequestParam(required = false) Histories.@Nullable Kind kind,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "rework", model, response, (lot, form) -> {
            LocalDateTime at =
                    form.inForm("doneAt", "When it was done").neededMoment().orElse(null);
            if (kind == null) {
                form.wrong("Choose what was done.");
            } else if (form.isRight() && at != null) {
                histories.record(
                        lot,
                        form.inForm("reworked", "The specimens").names(),
                        kind,
                        form.inForm("cause", "Cause").choice(Cause.values()).orElse(null),
                        form.inForm("note", "The note").text(200),
                        at,
                        by.getName());
            }
        });
    }

    @PostMapping("/lots/{code}/make/bought")
    @PreAuthorize("hasAuthority('ENTRY')")
    String receive(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "bought", model, response, (lot, form) -> {
            int line = form.inForm("line", "The line").whole(0, 1000, -1);
            List<Plans.Line> lines =
                    plans.ofLot(lot.id()).map(Plans.LotPlanView::lines).orElse(List.of());
            LocalDate received = form.problems().date("bought", form.raw("receivedOn"));
            if (line < 0 || line >= lines.size()) {
                form.wrong("Choose the line of the plan that they were made for.");
                return;
            }
            Boughts.NewBought delivery = new Boughts.NewBought(
                    form.request(),
                    lines.get(line).test(),
                    form.inForm("count", "How many").whole(0, Lots.LARGEST_SET, 0),
                    form.inForm("maker", "Who made them").needed(40),
                    form.inForm("machine", "The machine").needed(40),
                    form.inForm("fileRevision", "The file's revision").needed(30),
                    form.inForm("refusals", "What was refused").text(300),
                    form.inForm("changes", "What was changed").text(300),
                    received == null ? LocalDate.now(clock) : received);
            if (form.isRight()) {
                boughts.receive(lot, delivery, by.getName());
            }
        });
    }

    @PostMapping("/lots/{code}/make/bought/{set}")
    @PreAuthorize("hasAuthority('JUDGEMENT')")
    String inspect(
            @PathVariable String code,
            @PathVariable long set,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(
                code,
                sent,
                "bought",
                model,
                response,
                (lot, form) -> boughts.inspect(lot, set, form.ticked("passed"), form.raw("inspection"), by.getName()));
    }

    @PostMapping("/lots/{code}/make/climate")
    @PreAuthorize("hasAuthority('ENTRY')")
    String condition(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            @RequestParam(defaultValue = "0") long set,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "climate", model, response, (lot, form) -> {
            LocalDateTime in = form.inForm("in", "Into the climate").moment().orElse(null);
            LocalDateTime out = form.inForm("out", "Out of it").moment().orElse(null);
            String climate = form.inForm("atmosphere", "The climate").text(60);
            if (form.isRight()) {
                climates.move(lot, set, in, out, climate, form.raw("late"), by.getName());
            }
        });
    }

    @PostMapping("/lots/{code}/make/weighings")
    @PreAuthorize("hasAuthority('ENTRY')")
    String weigh(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            @RequestParam(defaultValue = "0") long set,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "climate", model, response, (lot, form) -> {
            LocalDateTime at = form.inForm("weighedAt", "When it was weighed")
                    .neededMoment()
                    .orElse(null);
            if (form.isRight() && at != null) {
                climates.weigh(lot, set, form.raw("mass"), at, form.raw("late"), by.getName());
            }
        });
    }

    @PostMapping("/lots/{code}/make/marks")
    @PreAuthorize("hasAuthority('ENTRY')")
    String mark(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            @RequestParam(required = false) Marks.@Nullable Kind kind,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "marks", model, response, (lot, form) -> {
            String words = form.inForm("words", "What was read").text(120);
            if (kind == null) {
                form.wrong("Choose whether it was begun, read or done.");
            } else if (form.isRight()) {
                marks.set(
                        lot,
                        form.inForm("marked", "The specimens").names(),
                        kind,
                        words,
                        LocalDateTime.now(clock),
                        by.getName());
            }
        });
    }

    @PostMapping("/lots/{code}/make/order")
    @PreAuthorize("hasAuthority('ENTRY')")
    String order(@PathVariable String code, Authentication by) {
        orders.give(lots.named(code), by.getName());
        return "redirect:/lots/" + code + "/make#labels";
    }

    @PostMapping("/lots/{code}/make/parts")
    @PreAuthorize("hasAuthority('ENTRY')")
    String ended(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "parts", model, response, (lot, form) -> {
            Map<Prints.Ended, Integer> ended = new EnumMap<>(Prints.Ended.class);
            for (Prints.Ended how : Prints.Ended.values()) {
                ended.put(how, form.inForm("ended-" + how.name(), how.words()).whole(0, 500, 0));
            }
            int run = form.inForm("run", "The run").whole(0, Integer.MAX_VALUE, 0);
            String note = form.inForm("partNote", "The note").text(200);
            if (form.isRight()) {
                prints.enter(lot, run, ended, note, form.request(), by.getName());
            }
        });
    }

    // ---- reading what was sent ---------------------------------------------------------------------------------

    /** Settings of a run that can be named as different from the recipe's in one form. */
    static final int MOST_DIFFERENCES = 4;

    private static Runs.Surroundings surroundings(Sent form) {
        Runs.Surroundings surroundings = new Runs.Surroundings(
                form.inForm("ambient", "The room").text(30),
                form.inForm("humidity", "The humidity").text(30),
                form.inForm("enclosure", "The enclosure").text(30),
                form.inForm("enclosureHumidity", "The enclosure's humidity").text(30),
                form.inForm("spoolState", "The spool's state").text(60),
                form.inForm("nozzleHours", "The nozzle's hours").text(30),
                form.inForm("noticed", "What was noticed").text(200),
                form.inForm("differences", "What differed").text(300));
        form.inForm("ambient", "The room's temperature").quantity(Dimension.TEMPERATURE);
        form.inForm("enclosure", "The enclosure's temperature").quantity(Dimension.TEMPERATURE);
        form.inForm("humidity", "The room's humidity").within(Dimension.RATIO, 0, 1, 0, "40 %");
        form.inForm("enclosureHumidity", "The enclosure's humidity").within(Dimension.RATIO, 0, 1, 0, "15 %");
        if (surroundings.noticed().matches(".*\\d.*")) {
            form.wrong("What was noticed is a remark, never a figure: leave the number out.");
        }
        return surroundings;
    }

    private static List<Runs.Used> used(Sent form) {
        List<Runs.Used> used = new ArrayList<>();
        for (int i = 0; i < MOST_DIFFERENCES; i++) {
            String value = form.raw("used-" + i);
            String reason = form.raw("usedWhy-" + i);
            form.inForm("usedField-" + i, "The setting that differed")
                    .choice(RecipeField.values())
                    .ifPresent(field -> used.add(new Runs.Used(field, value, reason)));
            if (!value.isBlank() && form.raw("usedField-" + i).isBlank()) {
                form.wrong("Say which setting was '" + value.strip() + "'.");
            }
        }
        return used;
    }

    private static @Nullable Long sample(Sent form) {
        OptionalLong key = form.inForm("sample", "The sample").key();
        return key.isPresent() ? key.getAsLong() : null;
    }

    private static double side(Sent form, String field) {
        return form.inForm(field, "Plate").within(Dimension.LENGTH, 1, 2000, 220, "220 mm");
    }

    private static double scale(Sent form) {
        return form.inForm("scale", "Scale").within(Dimension.RATIO, 0.1, 10, 1, "1 or 95 %");
    }
}
