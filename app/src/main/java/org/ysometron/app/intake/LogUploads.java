package org.ysometron.app.intake;

import java.io.IOException;
import java.io.InputStream;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.dimension.DiameterLogFile;

/** Uploads of diameter logs on their way: how far each is, how it ended, and stopping it. */
@Component
class LogUploads {

    /** Each takes a processor for as long as its file streams in. */
    private static final int AT_ONCE = 3;

    private static final int REMEMBERED = 200;
    private static final Logger LOG = LoggerFactory.getLogger(LogUploads.class);

    private final Logs logs;
    private final Semaphore room = new Semaphore(AT_ONCE);
    private final Map<String, Job> jobs = new ConcurrentHashMap<>();

    LogUploads(Logs logs) {
        this.logs = logs;
    }

    /** How an upload stands. */
    enum State {
        READING,
        DONE,
        REFUSED,
        CANCELLED
    }

    /** An upload as its page sees it. */
    record JobView(
            State state,
            long rows,
            String message,
            @Nullable Long id) {}

    private static final class Job {

        private volatile JobView view = new JobView(State.READING, 0, "", null);
        private volatile boolean cancelled;
    }

    /** Reads a file to its end. The same job sent twice is read once. */
    JobView read(LotView lot, @Nullable Long sampleId, String name, InputStream in, String by, String key) {
        Job job = new Job();
        if (jobs.size() > REMEMBERED) {
            jobs.entrySet().removeIf(entry -> entry.getValue().view.state() != State.READING);
        }
        Job before = jobs.putIfAbsent(of(lot, by, key), job);
        if (before != null) {
            return before.view;
        }
        if (!room.tryAcquire()) {
            return end(job, State.REFUSED, AT_ONCE + " logs are being read already; try again in a moment.", null);
        }
        try {
            long id = logs.store(lot, sampleId, name, new Timely(in), by, rows -> {
                job.view = new JobView(State.READING, rows, "", null);
                if (job.cancelled) {
                    throw new Logs.Cancelled();
                }
            });
            return end(job, State.DONE, "", id);
        } catch (DiameterLogFile.Unreadable unreadable) {
            return end(job, State.REFUSED, unreadable.problem().text() + " Nothing was stored.", null);
        } catch (Refusal refusal) {
            return end(job, State.REFUSED, refusal.words(), null);
        } catch (Logs.Cancelled stopped) {
            return end(job, State.CANCELLED, "Stopped; nothing was stored.", null);
        } catch (Timely.TooSlow slow) {
            return end(
                    job,
                    State.REFUSED,
                    "The file took longer than " + Timely.LONGEST.toMinutes()
                            + " minutes to come in; nothing was stored." + " Copy it to this machine first.",
                    null);
        } catch (IOException gone) {
            LOG.info("a diameter log stopped streaming in: {}", gone.getMessage());
            return end(job, State.CANCELLED, "The file stopped coming in; nothing was stored.", null);
        } catch (RuntimeException failed) {
            end(job, State.REFUSED, "The application failed at this step; nothing was stored.", null);
            throw failed;
        } finally {
            room.release();
        }
    }

    JobView view(LotView lot, String key, String by) {
        return job(lot, key, by).view;
    }

    void cancel(LotView lot, String key, String by) {
        job(lot, key, by).cancelled = true;
    }

    private Job job(LotView lot, String key, String by) {
        Job job = jobs.get(of(lot, by, key));
        if (job == null) {
            throw new NotFound("upload '" + key + "' of lot " + lot.code());
        }
        return job;
    }

    /** A job belongs to one lot and one account: neither another's page nor another's key reaches it. */
    private static String of(LotView lot, String by, String key) {
        return lot.id() + "/" + by + "/" + key;
    }

    private static JobView end(Job job, State state, String message, @Nullable Long id) {
        job.view = new JobView(state, job.view.rows(), message, id);
        return job.view;
    }
}
