package markturn.web.fieldbook;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import markturn.simulator.Practice;

/**
 * What the entries say beside the job itself: how setups are turned, which device writes, where work was interrupted, whether devices are
 * simulated.
 *
 * @param breaks how many readings stood in a setup's book at its last break
 */
record Circumstances(
        Map<String, TurningOrder> orders,
        Map<String, Pen> pens,
        Map<String, Integer> breaks,
        Optional<Practice> practice) {
    static final Circumstances NONE = new Circumstances(Map.of(), Map.of(), Map.of(), Optional.empty());

    Circumstances {
        orders = Map.copyOf(orders);
        pens = Map.copyOf(pens);
        breaks = Map.copyOf(breaks);
    }

    Circumstances withOrder(String setup, TurningOrder order) {
        return new Circumstances(with(orders, setup, order), pens, breaks, practice);
    }

    Circumstances withPen(String setup, Pen pen) {
        return new Circumstances(orders, with(pens, setup, pen), breaks, practice);
    }

    Circumstances withBreak(String setup, int readings) {
        return new Circumstances(orders, pens, with(breaks, setup, readings), practice);
    }

    Circumstances withPractice(Practice devices) {
        return new Circumstances(orders, pens, breaks, Optional.of(devices));
    }

    private static <T> Map<String, T> with(Map<String, T> map, String key, T value) {
        Map<String, T> longer = new HashMap<>(map);
        longer.put(key, value);
        return longer;
    }
}
