package org.ysometron.app.line;

import java.util.LinkedHashMap;
import java.util.Map;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.instruments.wire.Message;

/** What pages are told of a value that was sent. */
final class LineJson {

    static Map<String, Object> press(Presses.PressView press) {
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("id", press.id());
        told.put("instrument", press.instrument().id());
        told.put("name", press.instrument().name());
        told.put("text", press.text());
        told.put("takes", press.dimension().map(Dimension::name).orElse(""));
        told.put("usable", press.isUsable());
        told.put("over", press.isOver());
        told.put("low", press.state() == Message.State.LOW_BATTERY);
        told.put("late", press.late());
        return told;
    }

    private LineJson() {}
}
