package org.ysometron.app.drift;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.util.Comparator;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.core.claim.Orientation;

/** The demo's own series of Skerry's strength, whatever other tests add to the same product. */
abstract class SkerrySite extends DemoSite {

    static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    SeriesPoints series;

    /** That with most of the demo's lots. */
    SeriesView skerry(Orientation orientation) {
        return series.ofProduct(lots.named("SK-0130").productId()).stream()
                .filter(one -> one.property().id().equals("tension-strength")
                        && one.conditions().orientation() == orientation)
                .max(Comparator.comparingInt(one -> ofTheDemo(one, "SK-").size()))
                .orElseThrow();
    }

    /** The points of lots with such codes: what other tests add to the series is no part of its story. */
    List<PointView> ofTheDemo(SeriesView found, String code) {
        return series.points(found.id()).stream()
                .filter(point -> lots.lot(point.lotId()).code().startsWith(code))
                .toList();
    }
}
