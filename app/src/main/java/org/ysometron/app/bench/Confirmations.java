package org.ysometron.app.bench;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import org.ysometron.app.plan.Setting;
import org.ysometron.app.plan.Site;
import org.ysometron.app.product.Products;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Equipment;
import org.ysometron.core.method.Method;
import org.ysometron.core.publication.Family;
import org.ysometron.core.working.Figures;

/**
 * What somebody at the bench confirms before anything is broken: once a day, for each method and account. It defers to data
 * sheets, manuals and site rules, and does not replace them.
 */
@Component
class Confirmations {

    private final ConfirmationRepository confirmations;
    private final Site site;
    private final Clock clock;

    Confirmations(ConfirmationRepository confirmations, Site site, Clock clock) {
        this.confirmations = confirmations;
        this.site = site;
        this.clock = clock;
    }

    /** Whether the account has confirmed the method today. */
    boolean isConfirmed(String account, Method method) {
        return confirmations.existsByAccountAndMethodAndConfirmedOn(
                account, method.data().id(), LocalDate.now(clock));
    }

    /** What is to be confirmed. */
    List<String> points(Method method, Products.ProductView product, double expectedLoad) {
        List<String> points = new ArrayList<>();
        Equipment equipment = method.data().equipment();
        if (equipment.throwsPieces()) {
            points.add("I wear eye protection and sleeves, and nobody stands near.");
        }
        double limit = site.values().of(Setting.SHIELD_ABOVE);
        boolean unknown = !(expectedLoad > 0) || !equipment.unit().equals("N");
        if (equipment.throwsPieces() && (unknown || expectedLoad >= limit)) {
            points.add("The shield is closed or the specimen is tethered: "
                    + (unknown
                            ? "nobody knows the load"
                            : "about " + Figures.significant(expectedLoad, 2) + " N is expected")
                    + ", and the site asks for it from " + Figures.plain(limit, 3) + " N on.");
        }
        if (product.family() == Family.RESIN) {
            points.add("Ventilation is on, and I wear gloves where resin may be uncured.");
        }
        points.add("I know the hazards: " + String.join(" ", method.data().hazards()));
        return points;
    }

    /** Confirms every point for today; confirming twice is harmless. */
    @Write
    void confirm(String account, Method method, List<String> points, int ticked) {
        if (ticked < points.size()) {
            throw new Refusal("confirm", "Confirm every point, or do not break anything today.");
        }
        if (isConfirmed(account, method)) {
            return;
        }
        Confirmation row = new Confirmation();
        row.account = account;
        row.method = method.data().id();
        row.confirmedOn = LocalDate.now(clock);
        String text = String.join("\n", points);
        row.points = text.length() > 400 ? text.substring(0, 400) : text;
        row.confirmedAt = clock.instant();
        confirmations.save(row);
    }
}
