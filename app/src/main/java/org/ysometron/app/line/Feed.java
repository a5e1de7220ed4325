package org.ysometron.app.line;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.ysometron.instruments.wire.Message;
import tools.jackson.databind.json.JsonMapper;

/** What goes to open pages at once, by server-sent events: a page that listens is a station. */
@Component
class Feed implements SmartLifecycle {

    /** Milliseconds between two sendings: a stream is drawn some twenty times a second. */
    private static final int EVERY = 40;

    /** Sendings after which a page that nothing was sent to is asked whether it is there. */
    private static final int SILENT = 200;

    /** Points of one stream that wait for one page; who is slower draws the rest from what is kept. */
    private static final int MOST_POINTS = 20_000;

    /** Milliseconds after which a page asks anew: whoever was signed out meanwhile hears no more. */
    private static final long LONGEST = 600_000;

    private static final JsonMapper JSON = new JsonMapper();

    private final Map<String, Page> pages = new ConcurrentHashMap<>();
    private final ScheduledExecutorService timer = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "feed");
        thread.setDaemon(true);
        return thread;
    });
    private volatile @Nullable Future<?> sending;
    private volatile boolean running;

    /** One event as it goes out. */
    private record Event(String name, String id, String data) {}

    private static final class Page {

        private final SseEmitter emitter = new SseEmitter(LONGEST);
        private final List<Event> waiting = new ArrayList<>();
        private final Map<Long, List<double[]>> points = new LinkedHashMap<>();
        private final Map<Long, Map<String, String>> told = new HashMap<>();
        private int silent;

        /** A page that was copied stands at the same bench: the one that came last has it. */
        void leave() {
            try {
                emitter.send(SseEmitter.event().name("elsewhere").data("{}"));
                emitter.complete();
            } catch (IOException | IllegalStateException gone) {
                silent = 0;
            }
        }

        synchronized void add(Event event) {
            waiting.add(event);
        }

        synchronized void add(long stream, Map<String, String> about, List<double[]> more) {
            told.put(stream, about);
            List<double[]> all = points.computeIfAbsent(stream, id -> new ArrayList<>());
            if (all.size() < MOST_POINTS) {
                all.addAll(more);
            }
        }

        /** All that waits, points before what was said behind them. */
        synchronized List<Event> due() {
            List<Event> due = new ArrayList<>();
            points.forEach((stream, list) -> due.add(new Event(
                    "points",
                    "",
                    JSON.writeValueAsString(
                            Map.of("stream", stream, "about", told.getOrDefault(stream, Map.of()), "points", list)))));
            told.clear();
            points.clear();
            due.addAll(waiting);
            waiting.clear();
            silent = due.isEmpty() ? silent + 1 : 0;
            return due;
        }
    }

    /** A page that listens from now on; what listened under that name before is closed. */
    SseEmitter open(String station) {
        Page page = new Page();
        Page before = pages.put(station, page);
        if (before != null) {
            before.leave();
        }
        Runnable gone = () -> pages.remove(station, page);
        page.emitter.onCompletion(gone);
        page.emitter.onTimeout(gone);
        page.emitter.onError(error -> gone.run());
        page.add(new Event("open", "", "{}"));
        return page.emitter;
    }

    /** Says something to one page. */
    void say(String station, String name, Map<String, ?> data) {
        Page page = pages.get(station);
        if (page != null) {
            page.add(new Event(
                    name, data.containsKey("id") ? String.valueOf(data.get("id")) : "", JSON.writeValueAsString(data)));
        }
    }

    /** Says to every page that something about instruments is otherwise now. */
    void changed() {
        pages.values().forEach(page -> page.add(new Event("changed", "", "{}")));
    }

    /** Points for one page, of an instrument by its name. */
    void points(String station, long stream, String name, List<Message.Point> points) {
        Page page = pages.get(station);
        if (page != null) {
            Message.Point first = points.get(0);
            page.add(
                    stream,
                    Map.of("name", name, "unit", first.unit(), "way", first.wayUnit()),
                    points.stream()
                            .map(point -> new double[] {point.time(), point.load(), point.way()})
                            .toList());
        }
    }

    private void send() {
        pages.forEach((station, page) -> {
            try {
                for (Event event : page.due()) {
                    SseEmitter.SseEventBuilder out =
                            SseEmitter.event().name(event.name()).data(event.data());
                    page.emitter.send(event.id().isEmpty() ? out : out.id(event.id()));
                }
                if (page.silent > 0 && page.silent % SILENT == 0) {
                    page.emitter.send(SseEmitter.event().comment("still here"));
                }
            } catch (IOException | IllegalStateException gone) {
                // It went away: what is kept waits for it, and is asked for when it comes back. The container ends the
                // rest.
                pages.remove(station, page);
            }
        });
    }

    @Override
    public void start() {
        running = true;
        sending = timer.scheduleWithFixedDelay(this::send, EVERY, EVERY, TimeUnit.MILLISECONDS);
    }

    /** Ends before the web server, which waits for whoever is still being answered. */
    @Override
    public void stop() {
        running = false;
        Future<?> under = sending;
        if (under != null) {
            under.cancel(false);
        }
        pages.values().forEach(page -> page.emitter.complete());
        pages.clear();
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
