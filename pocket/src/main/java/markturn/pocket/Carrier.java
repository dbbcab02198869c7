package markturn.pocket;

import java.time.Instant;
import java.util.Map;
import markturn.fieldbook.Booker;
import markturn.simulator.PracticeStation;
import markturn.tripod.typed.Occasion;

/** Who carries the device, with what rights, and what its clock says. */
record Carrier(Booker booker, Occasion occasion) {
    /** @param who texts {@code account}, {@code by}, {@code device}, {@code now}, {@code surveyor}, {@code reviewer} */
    static Carrier of(String who) {
        Map<String, String> told = Wire.texts(who);
        String account = told.getOrDefault("account", "");
        return new Carrier(
                new Booker(account, "true".equals(told.get("surveyor")), "true".equals(told.get("reviewer"))),
                new Occasion(
                        account,
                        told.getOrDefault("by", account),
                        Wire.some(told.getOrDefault("device", "")),
                        Instant.parse(told.getOrDefault("now", "")),
                        PracticeStation::of));
    }
}
