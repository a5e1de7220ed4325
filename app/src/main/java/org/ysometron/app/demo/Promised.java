package org.ysometron.app.demo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.springframework.stereotype.Component;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Chambers;
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications.Draft;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.End;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.publication.Publication;

/** New datasheets that promise what is not a force, and the first lot of each product that is set against them. */
@Component
class Promised {

    private static final String BALANCE = "balance 1";
    private static final String COLOUR = "colour instrument 1";
    private static final int DAYS = 2;

    private final Works works;
    private final OtherProducts others;
    private final Treatments treatments;
    private final Chambers chambers;
    private final Instruments instruments;

    Promised(Works works, OtherProducts others, Treatments treatments, Chambers chambers, Instruments instruments) {
        this.chambers = chambers;
        this.instruments = instruments;
        this.works = works;
        this.others = others;
        this.treatments = treatments;
    }

    /** Skerry's share of fibre and colour: both hold. */
    void skerry(long gauge) {
        PlannedTest filler = Looked.piece("filler-content", SpecimenDesign.SAMPLE_PIECE, Sheets.SPECIMENS);
        PlannedTest colour = OtherTests.line("colour-of-plaque", SpecimenDesign.PLAQUE, 0, Sheets.SPECIMENS, "");
        List<Draft> sheet = new ArrayList<>(Tidewrack.skerrySheet());
        sheet.add(Sheets.claims(Sheets.topic("filler-content"), Form.BETWEEN, "9–11 %", filler.conditions()));
        sheet.add(Sheets.claims(Sheets.topic("colour-difference"), Form.AT_MOST, "1.5 ΔE00", colour.conditions()));
        Products.ProductView skerry = works.products.named("skerry-bf10");
        works.publish(skerry, Publication.Kind.DATASHEET, DAYS, "datasheet S8", sheet);
        LotView lot = enter("SS-0016", "skerry-bf10", "slate", "60 spools of 750 g");
        works.draw(lot, "S1", Samples.Place.MIDDLE, "pallet 1, top layer");
        others.dried(lot);
        Random chance = new Random(16);
        works.bars(lot, Orientation.XY, "", 51.5, 0.8, gauge, chance);
        works.bars(lot, Orientation.ZX, "", 29.0, 0.8, gauge, chance);
        for (SpecimenView piece : works.made(lot, filler)) {
            double empty = 24.3;
            works.test(
                    lot,
                    piece,
                    Map.of(
                            "crucible", grams(empty),
                            "with-sample", grams(empty + 3.05),
                            "after-ignition", grams(empty + 3.05 * (0.1 + 0.0012 * chance.nextGaussian()))),
                    End.DONE,
                    BALANCE);
        }
        for (SpecimenView plaque : works.made(lot, colour)) {
            Map<String, List<String>> read = new LinkedHashMap<>();
            read.put("thickness", List.of("2.01", "2.00", "2.02"));
            read.put("l", shades(38.9, chance));
            read.put("a", shades(-0.7, chance));
            read.put("b", shades(-3.9, chance));
            works.test(lot, plaque, read, End.DONE, COLOUR);
        }
    }

    /** Plover's hardness holds; that it stays clear in the light does not. */
    void plover(long gauge) {
        Products.ProductView plover = works.products.named("plover-f30");
        String cure = OtherProducts.PLOVER_CURE;
        Treatments.TreatmentView light = treatments.of(plover.id()).stream()
                .filter(known -> known.title().startsWith("8 J/cm²"))
                .findFirst()
                .orElseThrow();
        PlannedTest shore = OtherTests.line("shore-a", SpecimenDesign.HARDNESS_BLOCK, 0, Sheets.SPECIMENS, cure);
        PlannedTest yellow =
                OtherTests.line("colour-change", SpecimenDesign.PLAQUE, 0, Sheets.SPECIMENS, light.title());
        List<Draft> sheet = new ArrayList<>(OtherProducts.ploverSheet());
        sheet.add(Sheets.claims(Sheets.topic("shore-a"), Form.BETWEEN, "56–64 Shore A", shore.conditions()));
        sheet.add(Sheets.claims(Sheets.topic("yellowing"), Form.AT_MOST, "3", yellow.conditions()));
        works.publish(plover, Publication.Kind.DATASHEET, DAYS, "datasheet F2, draft", sheet);
        LotView lot = enter("PL-0004", "plover-f30", "clear", "40 bottles of 1 l");
        works.draw(lot, "B1", Samples.Place.START, "first tray from the kettle");
        Random chance = new Random(4);
        works.bars(lot, Orientation.XY, cure, 7.2, 0.3, gauge, chance);
        for (SpecimenView block : works.made(lot, shore)) {
            List<String> read = new ArrayList<>();
            for (int place = 0; place < 5; place++) {
                read.add(String.valueOf(Math.round(60 + chance.nextGaussian())));
            }
            works.test(lot, block, Map.of("thickness", List.of("6.02"), "hardness", read), End.DONE, "durometer A");
        }
        List<SpecimenView> plaques = works.made(lot, yellow);
        chambers.treat(
                lot,
                new Chambers.NewChamber(
                        "PL-0004-light",
                        light.id(),
                        instruments.ofKind(Kind.CURE_CHAMBER).get(0).id(),
                        lot.madeOn().plusDays(1).atTime(13, 0),
                        1,
                        1,
                        plaques.size(),
                        Chambers.Placing.FIXED,
                        Treatments.Pose.LYING,
                        plaques.stream().map(SpecimenView::label).toList(),
                        ""),
                "bench");
        for (SpecimenView plaque : plaques) {
            double more = 6.1 + 0.15 * chance.nextGaussian();
            Map<String, List<String>> read = new LinkedHashMap<>();
            read.put("l", List.of("91.1", "91.2", "91.1"));
            read.put("a", List.of("-0.6", "-0.7", "-0.6"));
            read.put("b", List.of("2.6", "2.7", "2.6"));
            read.put("l-after", shades(90.4, chance));
            read.put("a-after", shades(-1.5, chance));
            read.put("b-after", shades(2.63 + more, chance));
            works.test(lot, plaque, read, End.DONE, COLOUR);
        }
    }

    private LotView enter(String code, String product, String colour, String size) {
        return works.lots.enter(new Lots.NewLot(code, product, colour, works.daysAgo(DAYS), size, ""), "bench");
    }

    private static List<String> grams(double mass) {
        return List.of(String.format(Locale.ROOT, "%.3f g", mass));
    }

    private static List<String> shades(double value, Random chance) {
        return List.of(shade(value, chance), shade(value, chance), shade(value, chance));
    }

    private static String shade(double value, Random chance) {
        return String.format(Locale.ROOT, "%.2f", value + 0.1 * chance.nextGaussian());
    }
}
