package org.ysometron.app.make;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Irradiances;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.plan.Treatments.TreatmentView;
import org.ysometron.core.quantity.Dimension;

/**
 * What light or heat each specimen had after it was made: by the light of its own places and the seconds it lay there, where the places
 * were measured; else what its programme says.
 */
@Component
public class Doses {

    private final Chambers chambers;
    private final Treatments treatments;
    private final Irradiances irradiances;

    Doses(Chambers chambers, Treatments treatments, Irradiances irradiances) {
        this.chambers = chambers;
        this.treatments = treatments;
        this.irradiances = irradiances;
    }

    /**
     * A dose.
     *
     * @param value at least 0, in mJ/cm² of light or seconds of heat
     * @param dimension a dose of light, or a time
     * @param measured whether it is that of its own places
     */
    public record Dose(double value, Dimension dimension, boolean measured) {}

    /**
     * The doses of a lot's specimens; one that went through no programme of light or heat has none. Light of a cure counts where its
     * places were measured and nothing followed.
     */
    @Transactional(readOnly = true)
    public Map<Long, Dose> of(LotView lot, Collection<SpecimenView> specimens) {
        Map<String, TreatmentView> byTitle = treatments.of(lot.productId()).stream()
                .collect(Collectors.toMap(TreatmentView::title, Function.identity(), (a, b) -> a));
        List<Chambers.ChamberView> runs = chambers.of(List.of(lot.id())).getOrDefault(lot.id(), List.of());
        Map<Long, Map<LocalDate, Map<Integer, Double>>> maps = new HashMap<>();
        runs.forEach(run -> maps.computeIfAbsent(run.chamberId(), irradiances::of));
        Map<Long, Dose> doses = new LinkedHashMap<>();
        for (SpecimenView specimen : specimens) {
            Optional<TreatmentView> named =
                    Optional.ofNullable(byTitle.get(specimen.conditions().process()));
            dose(specimen, runs, maps)
                    .or(() -> named.flatMap(Doses::nominal))
                    .ifPresent(dose -> doses.put(specimen.id(), dose));
        }
        return doses;
    }

    private static Optional<Dose> nominal(TreatmentView programme) {
        OptionalDouble dose = programme.dose();
        return dose.isEmpty()
                ? Optional.empty()
                : Optional.of(new Dose(dose.getAsDouble(), dimension(programme), false));
    }

    private static Dimension dimension(TreatmentView programme) {
        return programme.kind() == Treatments.Kind.AGE ? Dimension.TIME : Dimension.DOSE;
    }

    /** By the runs that it lay in; those of ageing before those of the cure. */
    private Optional<Dose> dose(
            SpecimenView specimen,
            List<Chambers.ChamberView> runs,
            Map<Long, Map<LocalDate, Map<Integer, Double>>> maps) {
        for (Treatments.Kind kind : List.of(Treatments.Kind.EXPOSE, Treatments.Kind.AGE, Treatments.Kind.CURE)) {
            double sum = 0;
            boolean any = false;
            boolean measured = true;
            for (Chambers.ChamberView run : runs) {
                for (Chambers.Placed placed : run.placed()) {
                    if (run.treatment().kind() == kind && placed.specimen().id() == specimen.id()) {
                        OptionalDouble light = irradiances.at(
                                maps.getOrDefault(run.chamberId(), Map.of()),
                                placed.place(),
                                run.beganAt().toLocalDate());
                        any |= kind != Treatments.Kind.CURE || light.isPresent();
                        measured &= light.isPresent() && kind != Treatments.Kind.AGE;
                        sum += kind != Treatments.Kind.AGE && light.isPresent()
                                ? light.getAsDouble() * run.treatment().seconds()
                                : run.treatment().dose().orElse(0);
                    }
                }
            }
            if (any) {
                return Optional.of(
                        new Dose(sum, kind == Treatments.Kind.AGE ? Dimension.TIME : Dimension.DOSE, measured));
            }
        }
        return Optional.empty();
    }
}
