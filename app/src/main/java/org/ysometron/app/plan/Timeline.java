package org.ysometron.app.plan;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.ysometron.core.plan.LotSteps.Station;
import org.ysometron.core.plan.Schedule;

/**
 * A plan drawn: stations as rows, steps as bars; work that somebody is at is plain, what runs alone is hatched, what waits
 * is dotted, what decides the release has a heavy edge.
 */
record Timeline(double width, double height, double left, List<Row> rows, List<Bar> bars, List<Day> days, double nowX) {

    private static final double LEFT = 118;
    private static final double WIDTH = 1130;
    private static final double TOP = 34;
    private static final double LANE = 21;
    private static final double GAP = 7;
    static final int MOST_DAYS = 28;
    private static final double LETTER = 6.1;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d", Locale.ENGLISH);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH);

    /** A station's row. */
    record Row(String name, double y, double height) {}

    /** A step. */
    record Bar(
            double x, double y, double width, double height, String label, String kind, boolean chain, String words) {}

    /** A day of the axis. */
    record Day(double x, double width, String label, boolean free, boolean labelled) {}

    /**
     * Draws a plan.
     *
     * @param lot only this lot's steps, without its code; all lots' when empty
     * @param mostDays days drawn at the most, 1 to {@value #MOST_DAYS}
     */
    static Timeline of(Calendar.Board board, String lot, int mostDays) {
        List<Schedule.Slot> slots = board.plan().slots().stream()
                .filter(slot -> lot.isEmpty() || slot.job().owner().equals(lot))
                .toList();
        LocalDateTime from = board.now().toLocalDate().atStartOfDay();
        LocalDateTime last = slots.stream()
                .map(Schedule.Slot::end)
                .max(LocalDateTime::compareTo)
                .orElse(from.plusDays(1));
        LocalDate until = last.toLocalDate().plusDays(1);
        long days = Math.min(
                Math.max(1, Math.min(MOST_DAYS, mostDays)),
                Math.max(1, Duration.between(from, until.atStartOfDay()).toDays()));
        double day = (WIDTH - LEFT) / days;
        Set<String> chain = new HashSet<>();
        board.forecasts().values().stream()
                .filter(forecast -> forecast.lot().code().equals(lot))
                .forEach(forecast -> chain.addAll(forecast.chain()));
        List<Row> rows = new ArrayList<>();
        List<Bar> bars = new ArrayList<>();
        double y = TOP;
        for (Station station : Station.values()) {
            String resource = station == Station.DESK ? "" : station.words();
            List<Schedule.Slot> own = slots.stream()
                    .filter(slot -> slot.job().resource().equals(resource)
                            || board.machines()
                                    .getOrDefault(station, List.of())
                                    .contains(slot.job().resource()))
                    .sorted(Comparator.comparing(Schedule.Slot::start))
                    .toList();
            if (own.isEmpty()) {
                continue;
            }
            for (Lane lane : lanes(own, board, station)) {
                double height = lane.tracks.size() * LANE;
                rows.add(new Row(lane.name, y, height));
                for (int track = 0; track < lane.tracks.size(); track++) {
                    for (Schedule.Slot slot : lane.tracks.get(track)) {
                        bar(slot, from, day, days, y + track * LANE, lot, chain).ifPresent(bars::add);
                    }
                }
                y += height + GAP;
            }
        }
        List<Day> axis = new ArrayList<>();
        for (int i = 0; i < days; i++) {
            LocalDate date = from.toLocalDate().plusDays(i);
            boolean free = date.getDayOfWeek() == DayOfWeek.SATURDAY || date.getDayOfWeek() == DayOfWeek.SUNDAY;
            axis.add(new Day(round(LEFT + i * day), round(day), DAY.format(date), free, day > 34 || i % 2 == 0));
        }
        return new Timeline(WIDTH, y + 4, LEFT, rows, bars, axis, x(board.now(), from, day));
    }

    /** A machine with its steps, in as many tracks as overlap. */
    private record Lane(String name, List<List<Schedule.Slot>> tracks) {}

    /** Gives each step the first machine that has room: a plan that keeps the sum of the places always fits. */
    private static List<Lane> lanes(List<Schedule.Slot> slots, Calendar.Board board, Station station) {
        List<Lane> lanes = new ArrayList<>();
        List<String> known = board.machines().getOrDefault(station, List.of());
        List<String> machines = known.isEmpty() ? List.of(station.words()) : known;
        machines.forEach(name -> lanes.add(new Lane(name, new ArrayList<>())));
        Map<String, Integer> places = new HashMap<>(board.places());
        for (Schedule.Slot slot : slots) {
            boolean placed = false;
            for (Lane lane : lanes) {
                boolean own = lane.name.equals(slot.job().resource());
                if (machines.contains(slot.job().resource()) && !own) {
                    continue;
                }
                int most = station == Station.DESK ? Integer.MAX_VALUE : places.getOrDefault(lane.name, 1);
                placed = place(slot, lane, most);
                if (placed) {
                    break;
                }
            }
            if (!placed) {
                place(slot, lanes.get(lanes.size() - 1), Integer.MAX_VALUE);
            }
        }
        lanes.removeIf(lane -> lane.tracks.isEmpty());
        return lanes;
    }

    private static boolean place(Schedule.Slot slot, Lane lane, int most) {
        for (List<Schedule.Slot> track : lane.tracks) {
            if (!track.get(track.size() - 1).end().isAfter(slot.start())) {
                track.add(slot);
                return true;
            }
        }
        if (lane.tracks.size() < most) {
            lane.tracks.add(new ArrayList<>(List.of(slot)));
            return true;
        }
        return false;
    }

    private static java.util.Optional<Bar> bar(
            Schedule.Slot slot, LocalDateTime from, double day, long days, double y, String lot, Set<String> chain) {
        double start = Math.max(LEFT, x(slot.start(), from, day));
        double end = Math.min(LEFT + days * day, x(slot.end(), from, day));
        if (end <= start) {
            return java.util.Optional.empty();
        }
        double width = Math.max(3, end - start);
        String id = slot.job().id();
        String name = lot.isEmpty()
                ? slot.job().owner() + " " + slot.job().title()
                : slot.job().title();
        int room = (int) ((width - 6) / LETTER);
        String label = room < 4 ? "" : name.length() <= room ? name : name.substring(0, room - 1) + "…";
        String kind =
                switch (slot.job().attention()) {
                    case ATTENDED -> "work";
                    case BEGUN -> "alone";
                    case ALONE -> "wait";
                };
        return java.util.Optional.of(new Bar(
                round(start),
                y,
                round(width),
                LANE - 4,
                label,
                kind,
                chain.contains(id),
                slot.job().words() + ", " + TIME.format(slot.start()) + " to " + TIME.format(slot.end()) + ", "
                        + slot.because()));
    }

    private static double x(LocalDateTime at, LocalDateTime from, double day) {
        return round(LEFT + Duration.between(from, at).toMinutes() / 1440.0 * day);
    }

    private static double round(double value) {
        return Math.rint(value * 10) / 10;
    }
}
