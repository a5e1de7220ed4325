package org.ysometron.app.plan;

import java.util.List;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.store.OnePage;

/** What is due, and every lot's steps on the stations; as a page and for calendar programs. */
@Controller
class CalendarController {

    private static final MediaType CALENDAR = MediaType.parseMediaType("text/calendar;charset=UTF-8");

    private final OnePage page;
    private final Calendar calendar;
    private final Lots lots;

    CalendarController(OnePage page, Calendar calendar, Lots lots) {
        this.page = page;
        this.calendar = calendar;
        this.lots = lots;
    }

    @GetMapping("/calendar")
    String page(@RequestParam(defaultValue = "7") int days, Model model) {
        return page.read(() -> read(days, model));
    }

    private String read(int days, Model model) {
        Optional<Calendar.Board> board = calendar.all();
        model.addAttribute("due", board.map(Due::of).orElse(List.of()));
        model.addAttribute(
                "timeline", board.map(found -> Timeline.of(found, "", days)).orElse(null));
        model.addAttribute(
                "forecasts",
                board.map(found -> List.copyOf(found.forecasts().values())).orElse(List.of()));
        model.addAttribute("wanting", board.map(calendar::wanting).orElse(List.of()));
        model.addAttribute("most", Lots.MOST_PLANNED);
        model.addAttribute("days", days);
        return "plan/calendar";
    }

    @GetMapping("/calendar.ics")
    ResponseEntity<String> all() {
        return file("all-lots", calendar.all().map(board -> CalendarFile.of(board, "")));
    }

    @GetMapping("/lots/{code}/calendar.ics")
    ResponseEntity<String> lot(@PathVariable String code) {
        String known = lots.named(code).code();
        return file(known, calendar.all().map(board -> CalendarFile.of(board, known)));
    }

    private static ResponseEntity<String> file(String name, Optional<String> text) {
        return ResponseEntity.ok()
                .contentType(CALENDAR)
                .header("Content-Disposition", "attachment; filename=\"" + name + ".ics\"")
                .body(text.orElseGet(CalendarFile::empty));
    }
}
