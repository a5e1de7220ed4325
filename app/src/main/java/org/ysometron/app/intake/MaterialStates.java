package org.ysometron.app.intake;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.material.Drying;
import org.ysometron.core.material.SiteClock;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;

/** Whether each set of specimens was made of material within its stated state. */
@Component
public class MaterialStates {

    private final Intake intake;
    private final Lots lots;
    private final Products products;
    private final Publications publications;
    private final Clock clock;

    MaterialStates(Intake intake, Lots lots, Products products, Publications publications, Clock clock) {
        this.clock = clock;
        this.intake = intake;
        this.lots = lots;
        this.products = products;
        this.publications = publications;
    }

    /**
     * The state of the material of one set.
     *
     * @param firstLabel the set's first specimen, to name it by
     * @param count specimens in it
     */
    public record SetState(
            long setId, long lotId, String firstLabel, int count, LocalDateTime madeAt, Drying.State state) {}

    /** The state of every set of these lots, by the set's key; lots of products that take up no water have none. */
    @Transactional(readOnly = true)
    public Map<Long, SetState> of(Collection<LotView> wanted) {
        List<LotView> hygroscopic = wanted.stream()
                .filter(lot -> products.product(lot.productId()).hygroscopic())
                .toList();
        if (hygroscopic.isEmpty()) {
            return Map.of();
        }
        Map<Long, List<Intake.RecordView>> records = new HashMap<>();
        for (Intake.RecordView record : intake.records(hygroscopic, Set.of(RecordKind.DRYING))) {
            if (record.live()) {
                records.computeIfAbsent(record.lotId(), id -> new java.util.ArrayList<>())
                        .add(record);
            }
        }
        Map<Long, Map<Long, List<SpecimenView>>> byLot = new HashMap<>();
        for (SpecimenView specimen :
                lots.specimensOf(hygroscopic.stream().map(LotView::id).toList())) {
            // What is taken off the sample as it was supplied was not printed from it: its water is what is looked at.
            if (specimen.design().isPrinted()) {
                byLot.computeIfAbsent(specimen.lotId(), id -> new LinkedHashMap<>())
                        .computeIfAbsent(specimen.setId(), id -> new java.util.ArrayList<>())
                        .add(specimen);
            }
        }
        Map<Long, Optional<Drying>> needs = new HashMap<>();
        Map<Long, SetState> states = new LinkedHashMap<>();
        for (LotView lot : hygroscopic) {
            Optional<Drying> need = needs.computeIfAbsent(lot.datasheetId(), id -> need(lot));
            byLot.getOrDefault(lot.id(), Map.of())
                    .forEach((setId, specimens) ->
                            states.put(setId, state(specimens, need, records.getOrDefault(lot.id(), List.of()))));
        }
        return states;
    }

    /** Whether the material of several lots is on record as dried, or need not be. */
    @Transactional(readOnly = true)
    public Map<Long, Boolean> isDry(Collection<LotView> wanted) {
        Map<Long, Boolean> dry = new HashMap<>();
        List<LotView> hygroscopic = new java.util.ArrayList<>();
        for (LotView lot : wanted) {
            boolean takesUpWater = products.product(lot.productId()).hygroscopic();
            dry.put(lot.id(), !takesUpWater);
            if (takesUpWater) {
                hygroscopic.add(lot);
            }
        }
        if (hygroscopic.isEmpty()) {
            return dry;
        }
        intake.records(hygroscopic, Set.of(RecordKind.DRYING)).stream()
                .filter(Intake.RecordView::live)
                .forEach(record -> dry.put(record.lotId(), true));
        return dry;
    }

    /** What the lot's datasheet asks for; empty when it does not say. */
    Optional<Drying> need(LotView lot) {
        Products.ProductView product = products.product(lot.productId());
        List<Statement> statements = publications.statements(lot.datasheetId());
        OptionalDouble temperature = value(statements, Topic.DRYING_TEMPERATURE);
        OptionalDouble seconds = value(statements, Topic.DRYING_TIME);
        return temperature.isPresent() && seconds.isPresent()
                ? Optional.of(new Drying(
                        temperature.getAsDouble(),
                        seconds.getAsDouble() / 3600,
                        product.openHours(),
                        product.boxHumidity()))
                : Optional.empty();
    }

    private static OptionalDouble value(List<Statement> statements, Topic topic) {
        return statements.stream()
                .filter(statement -> statement.topic().equals(topic))
                .map(statement -> statement.value().isPresent() ? statement.value() : statement.low())
                .filter(OptionalDouble::isPresent)
                .findFirst()
                .orElse(OptionalDouble.empty());
    }

    private SetState state(List<SpecimenView> specimens, Optional<Drying> need, List<Intake.RecordView> records) {
        SpecimenView first = specimens.get(0);
        LocalDateTime made = first.madeAt();
        List<Drying.Dried> dried = records.stream()
                .filter(record -> record.sampleId() == null || record.sampleId().equals(first.sampleId()))
                .map(record -> ((Reduced.Dried) record.reduced()).record())
                .sorted(Comparator.comparing(Drying.Dried::ended))
                .toList();
        // The last drying before the print counts; one that came after is named as such.
        Optional<Drying.Dried> before = dried.stream()
                .filter(record -> !record.ended().isAfter(made))
                .reduce((one, later) -> later)
                .or(() -> dried.stream().findFirst());
        Drying.State state = need.map(drying -> drying.at(before, made, new SiteClock(clock.getZone())))
                .orElseGet(() -> new Drying.State(
                        false,
                        List.of("The datasheet states no drying for a material that takes up water."),
                        "Publish drying temperature and time, dry by them and print again."));
        return new SetState(first.setId(), first.lotId(), first.label(), specimens.size(), made, state);
    }
}
