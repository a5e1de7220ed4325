package org.ysometron.app.line;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;

/** The connected instruments, what they sent and nobody took, and the feed of what they send. */
@Controller
class LineController {

    private static final String MAY_CHANGE = "hasAuthority('ADMINISTRATION') or hasAuthority('JUDGEMENT')";

    /** Behind this a value that waits fills no field by itself any more: whoever pressed has gone on. */
    private static final Duration FRESH = Duration.ofSeconds(20);

    private final Lines lines;
    private final Presses presses;
    private final Streams streams;
    private final Holdings holdings;
    private final Feed feed;
    private final Clock clock;

    LineController(Lines lines, Presses presses, Streams streams, Holdings holdings, Feed feed, Clock clock) {
        this.lines = lines;
        this.presses = presses;
        this.streams = streams;
        this.holdings = holdings;
        this.feed = feed;
        this.clock = clock;
    }

    @GetMapping("/instruments")
    String page(@RequestParam(defaultValue = "false") boolean part, Model model) {
        return show(new Problems(), Map.of(), part, model);
    }

    private String show(Problems problems, Map<String, String> typed, boolean part, Model model) {
        model.addAttribute("lines", lines.lines());
        model.addAttribute("ways", lines.ways());
        model.addAttribute("presses", presses.waiting());
        model.addAttribute("pressCount", presses.count());
        model.addAttribute("streams", streams.waiting());
        model.addAttribute("leftPresses", presses.left());
        model.addAttribute("leftStreams", streams.left());
        model.addAttribute("problems", problems);
        model.addAttribute("typed", typed);
        return part ? "line/instruments :: live" : "line/instruments";
    }

    @PostMapping("/instruments/places")
    @PreAuthorize(MAY_CHANGE)
    String add(
            @RequestParam(defaultValue = "") String way,
            @RequestParam(defaultValue = "") String place,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        Problems problems = new Problems();
        String there = problems.text("place", place, "The place", 200, true);
        try {
            problems.refuse();
            lines.add(way, there, by.getName());
            return "redirect:/instruments";
        } catch (Refusal refusal) {
            problems.add(refusal);
        }
        response.setStatus(422);
        return show(problems, Map.of("way", way, "place", place), false, model);
    }

    @PostMapping("/instruments/places/{id}/removal")
    @PreAuthorize(MAY_CHANGE)
    String remove(@PathVariable long id) {
        lines.remove(id);
        return "redirect:/instruments";
    }

    @PostMapping("/instruments/places/{id}/exchange")
    @PreAuthorize(MAY_CHANGE)
    String exchanged(@PathVariable long id) {
        lines.exchanged(id);
        return "redirect:/instruments";
    }

    @PostMapping("/instruments/presses/{id}")
    @PreAuthorize("hasAuthority('ENTRY')")
    String leavePress(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String reason,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return leaving("press-" + id, reason, () -> presses.leave(id, reason, by.getName()), model, response);
    }

    @PostMapping("/instruments/streams/{id}")
    @PreAuthorize("hasAuthority('ENTRY')")
    String leaveStream(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String reason,
            Authentication by,
            Model model,
            HttpServletResponse response) {
        return leaving("stream-" + id, reason, () -> streams.leave(id, reason, by.getName()), model, response);
    }

    private String leaving(String field, String reason, Runnable leave, Model model, HttpServletResponse response) {
        try {
            leave.run();
            feed.changed();
            return "redirect:/instruments";
        } catch (Refusal refusal) {
            Problems problems = new Problems();
            problems.add(field, refusal.words());
            response.setStatus(422);
            return show(problems, Map.of(field, reason), false, model);
        }
    }

    // ---- benches -------------------------------------------------------------------------------------------------

    /** What is pressed on an instrument goes to this page from now on. */
    @PostMapping("/instruments/{id}/hold")
    @PreAuthorize("hasAuthority('ENTRY')")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void hold(@PathVariable long id, @RequestParam(defaultValue = "") String station, Authentication by) {
        holdings.take(id, station, by.getName());
        feed.changed();
    }

    /** What is pressed on an instrument goes to this page no longer. */
    @PostMapping("/instruments/{id}/letting-go")
    @PreAuthorize("hasAuthority('ENTRY')")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void letGo(@PathVariable long id, @RequestParam(defaultValue = "") String station) {
        holdings.letGo(id, station);
        feed.changed();
    }

    /**
     * What the instruments at this bench send, as it comes; first what waits already.
     *
     * @param after the last value that this page has seen; 0 for none
     */
    @GetMapping("/instruments/feed")
    @PreAuthorize("hasAuthority('ENTRY')")
    ResponseEntity<SseEmitter> feed(
            @RequestParam(defaultValue = "") String station, @RequestParam(defaultValue = "0") long after) {
        SseEmitter emitter = feed.open(Holdings.checked(station));
        Set<Long> here = holdings.at(station);
        for (Presses.PressView press : presses.waiting(here)) {
            Map<String, Object> told = new LinkedHashMap<>(LineJson.press(press));
            boolean fresh = press.id() > after && press.keptAt().plus(FRESH).isAfter(clock.instant());
            told.put("late", press.late() || !fresh);
            feed.say(station, "press", told);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.TEXT_EVENT_STREAM)
                // Nothing in between may gather what must come at once.
                .header("X-Accel-Buffering", "no")
                .header("Cache-Control", "no-store")
                .body(emitter);
    }
}
