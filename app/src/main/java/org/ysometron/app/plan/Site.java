package org.ysometron.app.plan;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Revisions;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.GuardBand;
import org.ysometron.core.plan.WorkingHours;

/** The site's own settings, as typed and in working units. */
@Component
public class Site {

    private final PageMemory memory;
    private final SettingRepository settings;
    private final SettingBeforeRepository before;
    private final Revisions revisions;
    private final Clock clock;

    Site(
            PageMemory memory,
            SettingRepository settings,
            SettingBeforeRepository before,
            Revisions revisions,
            Clock clock) {
        this.before = before;
        this.memory = memory;
        this.revisions = revisions;
        this.settings = settings;
        this.clock = clock;
    }

    /** How many looks each choice of {@link Setting#LOOKS} is. */
    private static final List<Integer> LOOKS = List.of(2, 1, 3);

    /** Which band each choice of {@link Setting#GUARD} is. */
    private static final List<GuardBand> GUARDS = List.of(GuardBand.ONE_SIDED, GuardBand.EXPANDED, GuardBand.NONE);

    /** Every setting as typed. */
    public Map<Setting, String> typed() {
        return memory.once("settings", "", () -> {
            Map<Setting, String> typed = new EnumMap<>(Setting.class);
            for (Setting setting : Setting.values()) {
                typed.put(setting, setting.usual());
            }
            settings.findAll().forEach(row -> typed.put(row.name, row.typed));
            return typed;
        });
    }

    /** Every setting in working units: seconds, mm, N, shares, plain numbers. */
    public Values values() {
        return memory.once("values", "", () -> {
            Map<Setting, Double> values = new EnumMap<>(Setting.class);
            typed().forEach((setting, typed) -> values.put(setting, read(setting, typed)));
            return new Values(values);
        });
    }

    /** Settings in working units. */
    public record Values(Map<Setting, Double> values) {

        /** A setting. */
        public double of(Setting setting) {
            Double value = values.get(setting);
            if (value == null) {
                throw new IllegalStateException(setting + " has no value");
            }
            return value;
        }

        /** A time in minutes, at least one. */
        public long minutes(Setting setting) {
            return Math.max(1, Math.round(of(setting) / 60));
        }

        /** When somebody is there. */
        public WorkingHours hours() {
            return new WorkingHours(clockTime(of(Setting.DAY_BEGINS)), clockTime(of(Setting.DAY_ENDS)));
        }

        private static LocalTime clockTime(double hours) {
            return LocalTime.MIDNIGHT.plusMinutes(Math.round(hours * 60));
        }
    }

    /** Changes a setting. */
    @Write
    public void change(Setting setting, String typed, String by) {
        double value = read(setting, typed);
        if (!setting.takes(value)) {
            throw new Refusal(
                    setting.name(),
                    "'" + typed.strip() + "' is far from what it could be; usual is " + setting.usual() + ".");
        }
        Map<Setting, Double> all = new EnumMap<>(values().values());
        all.put(setting, value);
        double begins = new Values(all).of(Setting.DAY_BEGINS);
        double ends = new Values(all).of(Setting.DAY_ENDS);
        if (begins >= ends || ends >= 24) {
            throw new Refusal(setting.name(), "The working day must begin before it ends, and end before midnight.");
        }
        revisions.raise(Revisions.REGISTER);
        SettingRow row = settings.findById(setting).orElseGet(SettingRow::new);
        if (row.name != null) {
            keep(row);
        }
        row.name = setting;
        row.typed = typed.strip();
        row.changedBy = by;
        row.changedAt = clock.instant();
        settings.save(row);
    }

    private void keep(SettingRow row) {
        SettingBefore kept = new SettingBefore();
        kept.name = row.name;
        kept.typed = row.typed;
        kept.changedBy = row.changedBy;
        kept.changedAt = row.changedAt;
        before.save(kept);
    }

    /**
     * From which day of making on a reading by an instrument never calibrated is noted on the certificate instead of standing
     * in the way; empty while it blocks. A milder rule holds for lots made after it was chosen, never for one whose results
     * may be known.
     */
    public Optional<LocalDate> uncalibratedNotedFrom() {
        return memory.once("uncalibrated", "", () -> settings.findById(Setting.UNCALIBRATED)
                .filter(row -> read(Setting.UNCALIBRATED, row.typed) > 0)
                .map(row -> LocalDate.ofInstant(row.changedAt, clock.getZone()).plusDays(1)));
    }

    /**
     * Looks at a claim that were planned for a lot: those of the site's setting for lots made after it was set, so that nobody
     * plans one more once a result is known.
     */
    public int looks(LocalDate madeOn) {
        // As measured there is no level that a second look could be paid out of.
        return guard(madeOn) == GuardBand.NONE ? 1 : LOOKS.get(inForce(Setting.LOOKS, madeOn));
    }

    /** Whether the scatter within earlier lots may carry the verdict of a lot with few specimens: as was set before the lot was made. */
    public boolean pools(LocalDate madeOn) {
        return inForce(Setting.POOLED, madeOn) > 0;
    }

    /** The guard band by which claims about a mean are judged: as was set before the lot was made. */
    public GuardBand guard(LocalDate madeOn) {
        return GUARDS.get(inForce(Setting.GUARD, madeOn));
    }

    /** Which choice stood on the day before a lot was made. */
    private int inForce(Setting setting, LocalDate madeOn) {
        TreeMap<LocalDate, String> from = memory.once("choices", setting, () -> {
            TreeMap<LocalDate, String> days = new TreeMap<>();
            before.findByName(setting).stream()
                    .sorted(Comparator.comparing((SettingBefore row) -> row.changedAt))
                    .forEach(row -> days.put(dayOf(row.changedAt), row.typed));
            settings.findById(setting).ifPresent(row -> days.put(dayOf(row.changedAt), row.typed));
            return days;
        });
        Map.Entry<LocalDate, String> inForce = from.lowerEntry(madeOn);
        return inForce == null ? 0 : (int) read(setting, inForce.getValue());
    }

    private LocalDate dayOf(Instant at) {
        return LocalDate.ofInstant(at, clock.getZone());
    }

    private static double read(Setting setting, String typed) {
        if (!setting.choices().isEmpty()) {
            int chosen = setting.choices().indexOf(typed.strip());
            if (chosen < 0) {
                throw new Refusal(setting.name(), "Choose one of: " + String.join(", ", setting.choices()) + ".");
            }
            return chosen;
        }
        return Entry.strict(setting.name(), setting.title(), typed)
                .neededQuantity(setting.dimension())
                .orElseThrow();
    }
}
