package markturn.web.fieldbook;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/**
 * One device writes at a setup at a time. Asked once, when something new is added: what is stored was admitted then, whatever is asked of
 * newer lines.
 */
final class PenHeld {
    private PenHeld() {}

    /** @throws Refused where another device holds the pen of a setup that the act writes at, or strikes lines of */
    static void require(Book book, Act act) {
        String device = act.payload().path("device").asString("");
        for (String setup : setups(book, act)) {
            book.pen(setup).filter(pen -> !pen.device().equals(device)).ifPresent(pen -> {
                throw new Refused(
                        "pen",
                        "%s writes at %s with another device. Nothing was booked: take the pen first, or leave it there."
                                .formatted(pen.by(), setup));
            });
        }
    }

    private static List<String> setups(Book book, Act act) {
        return switch (act.kind()) {
            case READING -> List.of(act.payload().path("setup").asString(""));
            case STRIKE, RESTORE -> {
                List<String> setups = new ArrayList<>();
                for (JsonNode key : act.payload().path("readings")) {
                    book.place(key.asString("")).ifPresent(place -> setups.add(place.setup()));
                }
                yield setups;
            }
            default -> List.of();
        };
    }
}
