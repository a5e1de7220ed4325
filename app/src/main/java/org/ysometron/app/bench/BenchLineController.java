package org.ysometron.app.bench;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.line.Lines;
import org.ysometron.app.line.Presses;
import org.ysometron.app.line.Streams;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;

/** The connected instruments beside the bench: which are here, and what they sent that no field has taken. */
@Controller
class BenchLineController {

    private final Lots lots;
    private final Lines lines;
    private final Presses presses;
    private final Streams streams;

    BenchLineController(Lots lots, Lines lines, Presses presses, Streams streams) {
        this.lots = lots;
        this.lines = lines;
        this.presses = presses;
        this.streams = streams;
    }

    @GetMapping("/lots/{code}/bench/line")
    @PreAuthorize("hasAuthority('ENTRY')")
    String line(
            @PathVariable String code,
            @RequestParam(defaultValue = "") String station,
            @RequestParam(required = false) @Nullable String method,
            Model model) {
        List<Lines.Connected> connected = lines.connected();
        Set<Long> here = connected.stream()
                .filter(one -> !station.isEmpty() && one.station().equals(station))
                .map(one -> Objects.requireNonNull(one.instrument()).id())
                .collect(Collectors.toSet());
        model.addAttribute("lot", lots.named(code));
        model.addAttribute("station", station);
        model.addAttribute("method", method);
        Optional<Method> tested = method == null ? Optional.empty() : Methods.of(method);
        Map<Boolean, List<Lines.Connected>> near = connected.stream().collect(Collectors.partitioningBy(one -> {
            InstrumentView instrument = Objects.requireNonNull(one.instrument());
            return here.contains(instrument.id())
                    || tested.filter(asked -> isRead(asked, instrument.kind())).isPresent();
        }));
        boolean records =
                tested.filter(one -> one.data().recorded().isPresent()).isPresent();
        model.addAttribute("connected", connected);
        model.addAttribute("near", near.getOrDefault(true, List.of()));
        model.addAttribute("far", near.getOrDefault(false, List.of()));
        model.addAttribute("here", here);
        model.addAttribute("waiting", presses.waiting(here));
        model.addAttribute("streams", streams.waiting(here));
        model.addAttribute("records", records);
        return "bench/line";
    }

    /** Says which specimen was in the grips as a stream began. */
    @PostMapping("/lots/{code}/bench/line/streams")
    @PreAuthorize("hasAuthority('ENTRY')")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void begun(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long stream,
            @RequestParam(defaultValue = "") String specimen) {
        LotView lot = lots.named(code);
        streams.begun(stream, lot, lots.specimen(lot, specimen));
    }

    /** Whether something of a method's sheet is read with a kind of instrument. */
    private static boolean isRead(Method method, Kind kind) {
        Set<Dimension> asked = method.data().sheet().fields().stream()
                .filter(field ->
                        field.isQuantity() && (field.role() == Field.Role.SIZE || field.role() == Field.Role.TEST))
                .map(Field::dimension)
                .collect(Collectors.toSet());
        return kind.serves(method.data().equipment())
                || (kind == Kind.CALIPERS && asked.contains(Dimension.LENGTH))
                || (kind == Kind.BALANCE && asked.contains(Dimension.MASS));
    }
}
