package org.ysometron.app.make;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
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
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.plan.Plate;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

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
            Clock clock) {
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
        void store(LotView lot, Problems problems);
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
            step.store(lot, problems);
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
        return stored(code, sent, "runs", model, response, (lot, problems) -> {
            LocalDateTime started = moment(sent, "startedAt", "runs", problems);
            List<Runs.Batch> batches = new ArrayList<>();
            List<Plans.Line> lines =
                    plans.ofLot(lot.id()).map(Plans.LotPlanView::lines).orElse(List.of());
            for (int i = 0; i < lines.size(); i++) {
                int count = whole(sent, "count-" + i, 0, "runs", problems);
                if (count > 0 && !lines.get(i).leftOut()) {
                    batches.add(new Runs.Batch(lines.get(i).test(), count));
                }
            }
            Runs.NewRun run = new Runs.NewRun(
                    request(sent),
                    whole(sent, "recipe", 0, "runs", problems),
                    key(sent, "sample"),
                    started == null ? LocalDateTime.now(clock) : started,
                    new Runs.Surroundings(
                            text(sent, "ambient", "The room", 30, problems),
                            text(sent, "humidity", "The humidity", 30, problems),
                            text(sent, "spoolState", "The spool's state", 60, problems),
                            text(sent, "nozzleHours", "The nozzle's hours", 30, problems),
                            text(sent, "differences", "What differed", 300, problems)),
                    new Plate(side(sent, "plateWidth", problems), side(sent, "plateDepth", problems)),
                    batches,
                    scale(sent, problems),
                    whole(sent, "reference", 0, "runs", problems),
                    "yes".equals(sent.get("anyway")));
            if (problems.none()) {
                runs.print(lot, run, by.getName());
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
        return stored(code, sent, "chambers", model, response, (lot, problems) -> {
            LocalDateTime began = moment(sent, "beganAt", "chambers", problems);
            if (pose == null || placing == null) {
                problems.add("chambers", "Choose the pose, and whether places are fixed or changed.");
                return;
            }
            Chambers.NewChamber run = new Chambers.NewChamber(
                    request(sent),
                    whole(sent, "treatment", 0, "chambers", problems),
                    whole(sent, "chamber", 0, "chambers", problems),
                    began == null ? LocalDateTime.now(clock) : began,
                    whole(sent, "cycles", 1, "chambers", problems),
                    whole(sent, "rows", 2, "chambers", problems),
                    whole(sent, "columns", 5, "chambers", problems),
                    placing,
                    pose,
                    names(sent.get("inside")),
                    text(sent, "reached", "What was reached", 120, problems));
            if (problems.none()) {
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
        return stored(code, sent, "rework", model, response, (lot, problems) -> {
            LocalDateTime at = moment(sent, "doneAt", "rework", problems);
            if (kind == null) {
                problems.add("rework", "Choose what was done.");
            } else if (problems.none() && at != null) {
                histories.record(
                        lot,
                        names(sent.get("reworked")),
                        kind,
                        cause(sent.get("cause")),
                        text(sent, "note", "The note", 200, problems),
                        at,
                        by.getName());
            }
        });
    }

    private static @Nullable Cause cause(@Nullable String name) {
        return Arrays.stream(Cause.values())
                .filter(cause -> cause.name().equals(name))
                .findFirst()
                .orElse(null);
    }

    @PostMapping("/lots/{code}/make/bought")
    @PreAuthorize("hasAuthority('ENTRY')")
    String receive(
            @PathVariable String code,
            @RequestParam Map<String, String> sent,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return stored(code, sent, "bought", model, response, (lot, problems) -> {
            int line = whole(sent, "line", -1, "bought", problems);
            List<Plans.Line> lines =
                    plans.ofLot(lot.id()).map(Plans.LotPlanView::lines).orElse(List.of());
            LocalDate received = problems.date("bought", sent.get("receivedOn"));
            if (line < 0 || line >= lines.size()) {
                problems.add("bought", "Choose the line of the plan that they were made for.");
                return;
            }
            Boughts.NewBought delivery = new Boughts.NewBought(
                    request(sent),
                    lines.get(line).test(),
                    whole(sent, "count", 0, "bought", problems),
                    needed(sent, "maker", "Who made them", 40, problems),
                    needed(sent, "machine", "The machine", 40, problems),
                    needed(sent, "fileRevision", "The file's revision", 30, problems),
                    text(sent, "refusals", "What was refused", 300, problems),
                    text(sent, "changes", "What was changed", 300, problems),
                    received == null ? LocalDate.now(clock) : received);
            if (problems.none()) {
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
                (lot, problems) -> boughts.inspect(
                        lot, set, "yes".equals(sent.get("passed")), sent.getOrDefault("inspection", ""), by.getName()));
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
        return stored(code, sent, "climate", model, response, (lot, problems) -> {
            LocalDateTime in = optional(sent, "in", "climate", problems);
            LocalDateTime out = optional(sent, "out", "climate", problems);
            String climate = text(sent, "atmosphere", "The climate", 60, problems);
            if (problems.none()) {
                climates.move(lot, set, in, out, climate, sent.getOrDefault("late", ""), by.getName());
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
        return stored(code, sent, "climate", model, response, (lot, problems) -> {
            LocalDateTime at = moment(sent, "weighedAt", "climate", problems);
            if (problems.none() && at != null) {
                climates.weigh(
                        lot, set, sent.getOrDefault("mass", ""), at, sent.getOrDefault("late", ""), by.getName());
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
        return stored(code, sent, "marks", model, response, (lot, problems) -> {
            String words = text(sent, "words", "What was read", 120, problems);
            if (kind == null) {
                problems.add("marks", "Choose whether it was begun, read or done.");
            } else if (problems.none()) {
                marks.set(lot, names(sent.get("marked")), kind, words, LocalDateTime.now(clock), by.getName());
            }
        });
    }

    @PostMapping("/lots/{code}/make/order")
    @PreAuthorize("hasAuthority('ENTRY')")
    String order(@PathVariable String code, Authentication by) {
        orders.give(lots.named(code), by.getName());
        return "redirect:/lots/" + code + "/make#labels";
    }

    // ---- reading what was sent ---------------------------------------------------------------------------------

    private static String request(Map<String, String> sent) {
        String key = sent.getOrDefault("request", "");
        return key.isBlank() || key.length() > 36 ? UUID.randomUUID().toString() : key;
    }

    private static String text(Map<String, String> sent, String field, String name, int longest, Problems problems) {
        return problems.text(field, sent.get(field), name, longest, false);
    }

    private static String needed(Map<String, String> sent, String field, String name, int longest, Problems problems) {
        return problems.text("bought", sent.get(field), name, longest, true);
    }

    private static @Nullable LocalDateTime moment(
            Map<String, String> sent, String field, String anchor, Problems problems) {
        return problems.moment(anchor, sent.getOrDefault(field, ""));
    }

    private static @Nullable LocalDateTime optional(
            Map<String, String> sent, String field, String anchor, Problems problems) {
        return sent.getOrDefault(field, "").isBlank() ? null : moment(sent, field, anchor, problems);
    }

    private static int whole(Map<String, String> sent, String field, int otherwise, String anchor, Problems problems) {
        String typed = sent.getOrDefault(field, "").strip();
        if (typed.isEmpty()) {
            return otherwise;
        }
        if (!typed.matches("\\d{1,9}")) {
            problems.add(anchor, "'" + typed + "' is not a whole number; expected for example 5.");
            return otherwise;
        }
        return Integer.parseInt(typed);
    }

    private static @Nullable Long key(Map<String, String> sent, String field) {
        String typed = sent.getOrDefault(field, "").strip();
        return typed.matches("\\d{1,18}") ? Long.valueOf(typed) : null;
    }

    private static double side(Map<String, String> sent, String field, Problems problems) {
        String typed = sent.getOrDefault(field, "").isBlank() ? "220 mm" : sent.getOrDefault(field, "");
        Typed read = Typed.read("Plate", typed, UnitOfMeasure.working(Dimension.LENGTH));
        if (read instanceof Typed.Accepted accepted && accepted.value() > 0 && accepted.value() < 2000) {
            return accepted.value();
        }
        problems.add(
                "runs",
                read instanceof Typed.Refused refused
                        ? refused.problem().beside()
                        : "'" + typed + "' is no side of a plate; expected for example 220 mm.");
        return 220;
    }

    private static double scale(Map<String, String> sent, Problems problems) {
        String typed = sent.getOrDefault("scale", "").isBlank() ? "1" : sent.getOrDefault("scale", "");
        Typed read = Typed.read("Scale", typed, UnitOfMeasure.working(Dimension.RATIO));
        if (read instanceof Typed.Accepted accepted && accepted.value() >= 0.1 && accepted.value() <= 10) {
            return accepted.value();
        }
        problems.add("runs", "'" + typed + "' is no scale; expected 1, or for example 0.5 or 95 %.");
        return 1;
    }

    private static List<String> names(@Nullable String typed) {
        return Arrays.stream((typed == null ? "" : typed).split("[,; \\n\\r]+"))
                .filter(name -> !name.isBlank())
                .distinct()
                .toList();
    }
}
