package org.ysometron.app.gate;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.Sizes;
import org.ysometron.app.evidence.Provisionals;
import org.ysometron.app.intake.SizeGate;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Words;
import org.ysometron.app.product.Life;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Gate;
import org.ysometron.core.publication.Conflict;

/** What stands in a lot's way before any claim is judged: publications, the product's life, sizes, the material's state. */
@Component
class Hindrances {

    private final Products products;
    private final Publications publications;
    private final Words words;
    private final SizeGate sizes;
    private final Provisionals provisionals;
    private final Sizes gross;
    private final Bench bench;

    Hindrances(
            Products products,
            Publications publications,
            Words words,
            SizeGate sizes,
            Provisionals provisionals,
            Sizes gross,
            Bench bench) {
        this.gross = gross;
        this.bench = bench;
        this.products = products;
        this.publications = publications;
        this.words = words;
        this.sizes = sizes;
        this.provisionals = provisionals;
    }

    /** The blocks of several lots. */
    Map<Long, List<Block>> of(Collection<LotView> lots) {
        Map<Long, List<String>> stops = sizes.stops(lots);
        List<Long> ids = lots.stream().map(LotView::id).toList();
        List<Words.WordView> given = words.of(ids);
        Set<Long> mayLeave = given(given, Words.Kind.WITHDRAWN_PRODUCT);
        Set<Long> trusted = given(given, Words.Kind.OUT_OF_CALIBRATION);
        Set<Long> sized = given(given, Words.Kind.SIZE_GATE);
        Map<Long, List<String>> off = gross.gross(ids);
        Map<Long, List<String>> outs = bench.outOfCalibration(ids);
        Map<Long, List<Provisionals.Provisional>> untold = provisionals.of(lots);
        Map<Long, Products.ProductView> known = new HashMap<>();
        Map<Long, List<Block>> conflicts = new HashMap<>();
        Map<Long, List<Block>> found = new HashMap<>();
        for (LotView lot : lots) {
            List<Block> blocks = new ArrayList<>(conflicts.computeIfAbsent(lot.datasheetId(), id -> conflicts(lot)));
            Products.ProductView product = known.computeIfAbsent(lot.productId(), products::product);
            if (product.life() == Life.WITHDRAWN && !mayLeave.contains(lot.id())) {
                blocks.add(Gate.withdrawn(product.name(), product.lifeReason()));
            }
            stops.getOrDefault(lot.id(), List.of()).forEach(stop -> blocks.add(Gate.sizeGate(stop)));
            if (!sized.contains(lot.id())) {
                off.getOrDefault(lot.id(), List.of()).forEach(stop -> blocks.add(Gate.sizeGate(stop)));
            }
            if (!trusted.contains(lot.id())) {
                outs.getOrDefault(lot.id(), List.of()).forEach(out -> blocks.add(Gate.outOfCalibration(out)));
            }
            for (Provisionals.Provisional set : untold.getOrDefault(lot.id(), List.of())) {
                blocks.add(Gate.provisional(set.specimens(), String.join(" ", set.reasons()), set.remedy()));
            }
            found.put(lot.id(), blocks);
        }
        return found;
    }

    private static Set<Long> given(List<Words.WordView> words, Words.Kind kind) {
        return words.stream()
                .filter(word -> word.kind() == kind)
                .map(Words.WordView::lotId)
                .collect(Collectors.toSet());
    }

    private List<Block> conflicts(LotView lot) {
        return publications.conflicts(lot.productId(), lot.datasheetId()).stream()
                .filter(Publications.ConflictView::blocks)
                .map(Publications.ConflictView::conflict)
                .map(conflict -> Gate.conflict(conflict.title(), disagreeing(conflict), conflict.differ()))
                .toList();
    }

    private static String disagreeing(Conflict conflict) {
        return conflict.entries().stream()
                .map(entry -> entry.kind().words())
                .distinct()
                .collect(Collectors.joining(" and "));
    }
}
