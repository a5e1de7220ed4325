package org.ysometron.app.product;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.material.FilamentLength;
import org.ysometron.core.material.Price;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.working.Figures;

/** Prices with date, pack, tax and discount, and what a metre, a cubic centimetre and a set of specimens cost by them. */
@Component
class Prices {

    /** Length of a bar in mm, for the cost of a set (the product's own design). */
    private static final double BAR_LENGTH = 80;

    private static final int SET = 5;

    private final ListedPriceRepository prices;
    private final Publications publications;
    private final Clock clock;

    Prices(ListedPriceRepository prices, Publications publications, Clock clock) {
        this.prices = prices;
        this.publications = publications;
        this.clock = clock;
    }

    private static final double MOST = 1e7;

    /** A price as typed. */
    record Form(
            @Nullable String amount,
            @Nullable String currency,
            @Nullable String pack,
            @Nullable String tax,
            @Nullable Boolean taxIncluded,
            @Nullable String discount,
            @Nullable String pricedOn,
            @Nullable String note) {

        static final Form BLANK = new Form("", "", "", "", false, "", "", "");
    }

    /** A price with what follows from it; {@code unlike} says why it cannot be set against the newest. */
    record Line(
            LocalDate on,
            String asPriced,
            String net,
            String perMetre,
            String perVolume,
            String perSet,
            String unlike) {}

    /** The product's prices and the density and diameter that they were turned with. */
    record View(List<Line> lines, String basis, String pack) {}

    View of(Products.ProductView product) {
        boolean resin = product.family() == Family.RESIN;
        OptionalDouble density = published(product, Topic.DENSITY);
        OptionalDouble diameter = published(product, Topic.DIAMETER);
        List<Price> resolved = prices.findByProductIdOrderByPricedOnDescIdDesc(product.id()).stream()
                .map(ListedPrice::resolve)
                .toList();
        List<Line> lines = new ArrayList<>();
        for (Price price : resolved) {
            List<String> unlike = price.differences(resolved.get(0));
            lines.add(line(price, resin, density, diameter, unlike));
        }
        String basis = density.isEmpty()
                ? "No density is published: a price per volume or length cannot be told."
                : "With the published density of " + Figures.plain(density.getAsDouble(), 5) + " g/cm³"
                        + (diameter.isPresent() && !resin
                                ? " and diameter of " + Figures.plain(diameter.getAsDouble(), 4) + " mm ("
                                        + Figures.significant(
                                                FilamentLength.metresPerKilogram(
                                                        density.getAsDouble(), diameter.getAsDouble()),
                                                4)
                                        + " m/kg)."
                                : ".");
        return new View(lines, basis, resin ? "litre" : "kilogram");
    }

    private static Line line(
            Price price, boolean resin, OptionalDouble density, OptionalDouble diameter, List<String> unlike) {
        double net = price.netPerKilogram();
        String currency = " " + price.currency();
        OptionalDouble volume = resin
                ? OptionalDouble.of(net / 1000)
                : density.isPresent()
                        ? OptionalDouble.of(FilamentLength.pricePerCubicCentimetre(net, density.getAsDouble()))
                        : OptionalDouble.empty();
        String metre = !resin && density.isPresent() && diameter.isPresent()
                ? Figures.decimals(FilamentLength.pricePerMetre(net, density.getAsDouble(), diameter.getAsDouble()), 4)
                        + currency
                : "—";
        double set = SET * SpecimenDesign.TENSION_BAR_4.nominalArea() * BAR_LENGTH / 1000;
        String tax = Figures.plain(100 * price.taxRate(), 4) + " % tax " + (price.taxIncluded() ? "in it" : "on top");
        String discount = price.discount() > 0 ? ", " + Figures.plain(100 * price.discount(), 4) + " % off" : "";
        return new Line(
                price.on(),
                Figures.decimals(price.amount(), 2) + currency + " for " + Figures.plain(price.packGrams(), 6)
                        + (resin ? " ml, " : " g, ") + tax + discount,
                Figures.decimals(net, 2) + currency,
                metre,
                volume.isPresent() ? Figures.decimals(volume.getAsDouble(), 4) + currency : "—",
                volume.isPresent() ? Figures.decimals(volume.getAsDouble() * set, 2) + currency : "—",
                unlike.isEmpty() ? "" : "not like with like: " + String.join("; ", unlike));
    }

    /** A value from the datasheet, else from any other publication. */
    private OptionalDouble published(Products.ProductView product, Topic topic) {
        for (Publication.Kind kind :
                List.of(Publication.Kind.DATASHEET, Publication.Kind.WEB_PAGE, Publication.Kind.LABEL)) {
            Optional<Statement> found = publications.newest(product.id(), kind).stream()
                    .flatMap(view -> publications.statements(view.id()).stream())
                    .filter(statement ->
                            statement.topic().equals(topic) && statement.value().isPresent())
                    .findFirst();
            if (found.isPresent()) {
                return found.get().value();
            }
        }
        return OptionalDouble.empty();
    }

    @Write
    public void enter(Products.ProductView product, Form form, String by, Problems problems) {
        boolean resin = product.family() == Family.RESIN;
        String currency = problems.text("currency", form.currency(), "The currency", 3, true)
                .toUpperCase(Locale.ROOT);
        if (problems.at("currency") == null && !currency.matches("[A-Z]{3}")) {
            problems.add("currency", "A currency has three letters, for example EUR.");
        }
        double amount = needed(problems.entry("amount", "The price", form.amount()), "24.90");
        double pack = pack(form.pack(), resin, problems);
        if (form.tax() == null || form.tax().isBlank()) {
            problems.add(
                    "tax", "Say the rate of the tax, 0 where there is none: a price without it compares with nothing.");
        }
        double tax = rate(problems.entry("tax", "The tax", form.tax()));
        double discount = rate(problems.entry("discount", "The discount", form.discount()));
        LocalDate on = problems.date("pricedOn", form.pricedOn(), LocalDate.now(clock));
        String note = problems.text("note", form.note(), "The note", 200, false);
        if (!problems.none()) {
            return;
        }
        ListedPrice row = new ListedPrice();
        row.productId = product.id();
        row.amount = amount;
        row.currency = currency;
        row.pack = pack;
        row.taxRate = tax;
        row.taxIncluded = Boolean.TRUE.equals(form.taxIncluded());
        row.discount = discount;
        row.pricedOn = on;
        row.note = note;
        row.enteredBy = by;
        prices.save(row);
    }

    private static double needed(Entry entry, String example) {
        if (entry.isBlank()) {
            entry.missing(example);
        }
        return entry.number(MOST, example).orElse(1);
    }

    /** Grams of filament; millilitres of resin, which may be typed as litres. */
    private static double pack(@Nullable String typed, boolean resin, Problems problems) {
        if (!resin) {
            return problems.entry("pack", "Pack", typed)
                    .neededQuantity(Dimension.MASS)
                    .orElse(1);
        }
        String text = typed == null ? "" : typed.strip().toLowerCase(Locale.ROOT);
        boolean litres = text.matches(".*\\d\\s*l");
        String bare = text.replaceAll("\\s*(ml|l)$", "");
        return needed(problems.entry("pack", "The pack in ml", bare), "500") * (litres ? 1000 : 1);
    }

    /** A part of the price below the whole of it. */
    private static double rate(Entry entry) {
        double share = entry.share().orElse(0);
        if (share >= 1) {
            entry.wrong("is not below 100 %");
        }
        return share;
    }
}
