package org.ysometron.app.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.material.Blend;
import org.ysometron.core.plan.LotSteps.Station;
import org.ysometron.core.plan.Schedule;
import org.ysometron.core.plan.Schedule.Attention;
import org.ysometron.core.plan.Schedule.Job;
import org.ysometron.core.plan.WorkingHours;

/** The drawn calendar and what is due, with 1, 12 and 60 lots; no page, no database. */
class TimelineTest {

    /** A Monday morning. */
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 2, 8, 0);

    private static LotView lot(int i) {
        return new LotView(
                i,
                "L" + i,
                1,
                1,
                "x",
                LocalDate.of(2026, 3, 1),
                "",
                "",
                "",
                "",
                Blend.UNKNOWN,
                LotState.WAITING,
                "bench");
    }

    private static Calendar.Board board(int lots, Map<LotView, List<Progress.Event>> events, long lateDays) {
        List<Job> jobs = new ArrayList<>();
        List<Schedule.Running> running = List.of(new Schedule.Running(
                new Job("L1: condition bars", "L1", "condition bars", Attention.ALONE, 20 * 60, List.of(), "climate"),
                NOW.minusHours(18)));
        for (int i = 1; i <= lots; i++) {
            String code = "L" + i;
            String lot = code + ": ";
            jobs.add(new Job(
                    lot + "print",
                    code,
                    "print",
                    Attention.BEGUN,
                    240,
                    List.of(),
                    i % 2 == 0 ? "printer 2" : "printer 1"));
            jobs.add(new Job(lot + "test", code, "test", Attention.ATTENDED, 30, List.of(lot + "print"), "bench"));
            jobs.add(new Job(lot + "decide", code, "decide", Attention.ATTENDED, 20, List.of(lot + "test"), ""));
        }
        Schedule.Plan plan = Schedule.forwards(
                jobs, new Schedule.Ground(Map.of("climate", 3), WorkingHours.USUAL, running, Map.of()), NOW);
        Map<Long, Calendar.Forecast> forecasts = new LinkedHashMap<>();
        for (int i = 1; i <= lots; i++) {
            String last = "L" + i + ": decide";
            forecasts.put(
                    (long) i,
                    new Calendar.Forecast(lot(i), plan.slot(last).end(), plan.chainTo(last), i == 1 ? lateDays : 0));
        }
        Map<Station, List<String>> machines = new LinkedHashMap<>();
        for (Station station : Station.values()) {
            machines.put(station, List.of());
        }
        machines.put(Station.PRINTER, List.of("printer 1", "printer 2"));
        machines.put(Station.CLIMATE, List.of("climate box"));
        return new Calendar.Board(NOW, plan, forecasts, machines, Map.of("climate box", 3), events, Map.of());
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 12, 60})
    void barsStayInTheirRowsAndDoNotOverlap(int lots) {
        Timeline drawn = Timeline.of(board(lots, Map.of(), 0), "", 28);
        assertThat(drawn.bars()).isNotEmpty();
        for (Timeline.Bar bar : drawn.bars()) {
            assertThat(bar.x()).isGreaterThanOrEqualTo(drawn.left());
            assertThat(bar.x() + bar.width()).isLessThanOrEqualTo(drawn.width() + 3.1);
            assertThat(drawn.rows())
                    .anyMatch(row ->
                            bar.y() >= row.y() - 1e-9 && bar.y() + bar.height() <= row.y() + row.height() + 1e-9);
            assertThat(bar.label().length() * 5.5).isLessThanOrEqualTo(Math.max(bar.width(), 0.1));
        }
        assertThat(drawn.rows()).extracting(Timeline.Row::name).startsWith("printer 1");
        if (lots > 1) {
            assertThat(drawn.rows())
                    .extracting(Timeline.Row::name)
                    .contains("printer 2", "climate box", "bench", "desk");
        }
        // Prints of lots with even numbers are on printer 2 alone.
        Timeline.Row second = drawn.rows().stream()
                .filter(row -> row.name().equals("printer 2"))
                .findFirst()
                .orElse(new Timeline.Row("", -100, 0));
        for (Timeline.Bar bar : drawn.bars()) {
            if (bar.words().contains(": print,")) {
                int number = Integer.parseInt(bar.words().replaceFirst("L(\\d+):.*", "$1"));
                assertThat(bar.y() == second.y()).isEqualTo(number % 2 == 0);
            }
        }
    }

    @Test
    void oneLotIsDrawnAloneWithWhatDecidesItsRelease() {
        Timeline drawn = Timeline.of(board(3, Map.of(), 0), "L3", 28);
        // L3 waits for printer 1, which prints L1 first: the chain leads over another lot, of which no bar is drawn.
        assertThat(drawn.bars()).extracting(Timeline.Bar::words).allMatch(words -> words.startsWith("L3: "));
        assertThat(drawn.bars()).hasSize(3).allMatch(Timeline.Bar::chain);
        assertThat(drawn.bars()).extracting(Timeline.Bar::kind).containsExactly("alone", "work", "work");
    }

    @Test
    void weekendsAreNobodysAndNowIsMarked() {
        Timeline drawn = Timeline.of(board(60, Map.of(), 0), "", 7);
        assertThat(drawn.days()).hasSize(7);
        assertThat(drawn.days())
                .extracting(Timeline.Day::free)
                .containsExactly(false, false, false, false, false, true, true);
        double day = drawn.days().get(0).width();
        assertThat(drawn.nowX()).isBetween(drawn.left() + day * 0.32, drawn.left() + day * 0.35);
        assertThat(Timeline.of(board(60, Map.of(), 0), "", 100_000).days()).hasSizeLessThanOrEqualTo(28);
        assertThat(Timeline.of(board(1, Map.of(), 0), "", -5).days()).hasSize(1);
    }

    @Test
    void whatIsDueComesInTheOrderOfItsUrgency() {
        Map<LotView, List<Progress.Event>> events = Map.of(
                lot(2),
                List.of(
                        new Progress.Event("take out of oven 1", NOW.minusHours(2)),
                        new Progress.Event("read creep, day 3", NOW.plusHours(3)),
                        new Progress.Event("read creep, day 7", NOW.plusDays(4))));
        List<Due.Item> items = Due.of(board(2, events, 3));
        assertThat(items).extracting(Due.Item::urgency).isSorted();
        assertThat(items.get(0).what()).isEqualTo("take out of oven 1");
        assertThat(items.get(0).when()).startsWith("since Mon 2 Mar 06:00");
        assertThat(items)
                .filteredOn(item -> item.urgency() == Due.Urgency.OVERDUE)
                .extracting(Due.Item::what)
                .containsExactly("take out of oven 1", "release 3 days after it is wanted");
        assertThat(items)
                .filteredOn(item -> item.urgency() == Due.Urgency.NOW)
                .extracting(Due.Item::what)
                .containsExactly("print", "print");
        assertThat(items)
                .anyMatch(item ->
                        item.what().equals("condition bars ends") && item.when().equals("10:00"));
        assertThat(items)
                .anyMatch(item ->
                        item.what().equals("read creep, day 3") && item.when().equals("11:00"));
        assertThat(items).noneMatch(item -> item.what().contains("day 7"));
    }

    /** On a Friday evening Monday's work is in sight, and nothing of Tuesday's. */
    @Test
    void mondayIsSeenOnFriday() {
        LocalDateTime friday = LocalDateTime.of(2026, 3, 6, 20, 0);
        Schedule.Plan plan = Schedule.forwards(
                List.of(
                        new Job("L1: print", "L1", "print", Attention.BEGUN, 60, List.of(), "printer"),
                        new Job("L1: decide", "L1", "decide", Attention.ATTENDED, 540, List.of("L1: print"), "")),
                Schedule.Ground.of(Map.of()),
                friday);
        Calendar.Board board = new Calendar.Board(friday, plan, Map.of(), Map.of(), Map.of(), Map.of(), Map.of());
        assertThat(Due.of(board)).singleElement().satisfies(item -> {
            assertThat(item.what()).isEqualTo("print");
            assertThat(item.when()).isEqualTo("Mon 9 Mar 07:00");
        });
    }

    @Test
    void theFileHoldsEveryStepOnceAndTheSameStepKeepsItsName() {
        String one = CalendarFile.of(board(12, Map.of(), 0), "");
        String again = CalendarFile.of(board(12, Map.of(), 5), "");
        assertThat(one.split("BEGIN:VEVENT", -1)).hasSize(12 * 3 + 1 + 1);
        List<String> names =
                one.lines().filter(line -> line.startsWith("UID")).sorted().toList();
        assertThat(names).doesNotHaveDuplicates();
        assertThat(again.lines().filter(line -> line.startsWith("UID")).sorted().toList())
                .isEqualTo(names);
        assertThat(CalendarFile.of(board(12, Map.of(), 0), "L7").split("BEGIN:VEVENT", -1))
                .hasSize(4);
    }
}
