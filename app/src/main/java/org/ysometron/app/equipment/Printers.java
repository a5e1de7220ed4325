package org.ysometron.app.equipment;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.plan.PrinterLimits;

/** What the printers of the register can do, and which of them could follow a recipe. */
@Component
public class Printers {

    private final PrinterRepository printers;
    private final Instruments instruments;
    private final PageMemory memory;
    private final Clock clock;

    Printers(PrinterRepository printers, Instruments instruments, PageMemory memory, Clock clock) {
        this.printers = printers;
        this.instruments = instruments;
        this.memory = memory;
        this.clock = clock;
    }

    /** What a printer can do, as far as somebody said. */
    public PrinterLimits limits(long printerId) {
        return all().getOrDefault(printerId, PrinterLimits.UNKNOWN);
    }

    private Map<Long, PrinterLimits> all() {
        return memory.once("printers", "", () -> {
            Map<Long, PrinterLimits> limits = new HashMap<>();
            printers.findAll().forEach(row -> limits.put(row.instrumentId, limits(row)));
            return limits;
        });
    }

    /** The printers whose limits are known and that a recipe does not go beyond. */
    public List<String> could(PrinterLimits.Asked asked) {
        Map<Long, PrinterLimits> known = all();
        return instruments.ofKind(Kind.PRINTER).stream()
                .filter(printer -> known.containsKey(printer.id())
                        && limits(printer.id()).beyond(asked).isEmpty())
                .map(InstrumentView::name)
                .toList();
    }

    /** Refuses what goes beyond a printer, and names the printer that could. */
    public void require(String field, long printerId, PrinterLimits.Asked asked) {
        List<String> beyond = limits(printerId).beyond(asked);
        if (beyond.isEmpty()) {
            return;
        }
        List<String> could = could(asked);
        throw new Refusal(
                field,
                instruments.instrument(printerId).name() + " cannot follow this recipe: " + String.join("; ", beyond)
                        + ". "
                        + (could.isEmpty()
                                ? "No printer of the register is known to be able to."
                                : String.join(" and ", could) + " could."));
    }

    /** Says what a printer can do. */
    @Write
    public void set(long printerId, PrinterLimits limits, String by) {
        if (instruments.instrument(printerId).kind() != Kind.PRINTER) {
            throw new Refusal("limits", "Only a printer has such limits.");
        }
        PrinterRow row = printers.findById(printerId).orElseGet(PrinterRow::new);
        row.instrumentId = printerId;
        row.nozzleMost = boxed(limits.nozzleMost());
        row.bedMost = boxed(limits.bedMost());
        row.chamberMost = boxed(limits.chamberMost());
        row.hardened = limits.hardened();
        row.lined = limits.lined();
        row.plateWidth = boxed(limits.plateWidth());
        row.plateDepth = boxed(limits.plateDepth());
        row.setBy = by;
        row.setAt = clock.instant();
        printers.save(row);
    }

    private static PrinterLimits limits(PrinterRow row) {
        return new PrinterLimits(
                of(row.nozzleMost),
                of(row.bedMost),
                of(row.chamberMost),
                row.hardened,
                row.lined,
                of(row.plateWidth),
                of(row.plateDepth));
    }

    private static OptionalDouble of(@Nullable Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    private static @Nullable Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }
}
