package markturn.web.planning;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.formats.JsonTrees;
import markturn.survey.plan.Place;
import markturn.survey.plan.Underlay;
import markturn.survey.result.Position;
import markturn.tripod.planning.Planning;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.NotHere;
import markturn.web.frame.Pictures;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** A map or an aerial picture beneath the plans of a job. */
@Controller
class PictureController {
    private static final int MOST_PLACES = 3;

    private final FieldBook fieldBook;
    private final PlanPictures pictures;

    PictureController(FieldBook fieldBook, PlanPictures pictures) {
        this.fieldBook = fieldBook;
        this.pictures = pictures;
    }

    @GetMapping("/job/{id}/planning/picture")
    ResponseEntity<byte[]> picture(@PathVariable String id, Principal who) {
        fieldBook.book(id, who.getName());
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.noStore())
                .body(pictures.findFirstByJobIdOrderByNumberDesc(id)
                        .orElseThrow(NotHere::new)
                        .picture());
    }

    /** Lays a picture beneath, by its world file or by two or three marks that are seen in it. */
    @PostMapping("/job/{id}/planning/picture")
    ResponseEntity<String> lay(
            @PathVariable String id,
            @RequestParam MultipartFile picture,
            @RequestParam(required = false) MultipartFile world,
            @RequestParam Map<String, String> typed,
            Principal who)
            throws IOException {
        BookedJob book = fieldBook.book(id, who.getName());
        Optional<Pictures.Drawn> drawn = Pictures.drawnAnew(picture.getBytes());
        if (drawn.isEmpty()) {
            return fault("This picture cannot be read: expected JPEG or PNG");
        }
        Optional<String> unread = unread(typed);
        if (unread.isPresent()) {
            return fault(unread.get() + ": expected a number of picture points");
        }
        boolean byFile = world != null && !world.isEmpty();
        double metres = book.job().units().length().metres();
        Optional<Underlay> underlay = byFile
                ? Underlay.read(new String(world.getBytes(), StandardCharsets.US_ASCII), metres)
                : Underlay.by(seen(book, typed));
        if (underlay.isEmpty()) {
            return fault(
                    byFile
                            ? "This is no world file: expected six numbers, one a line"
                            : "Expected two or three marks and where each is seen in the picture, in picture points across and down; three not on one line");
        }
        PlanPicture laid = pictures.save(new PlanPicture(
                id, drawn.get(), underlay.get().coarser(drawn.get().times()), Instant.now(), who.getName()));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .body(JsonTrees.line(PlanningState.picture(laid, book.job().units())));
    }

    /** What was typed for a place in the picture and is no number; empty where all is. */
    private static Optional<String> unread(Map<String, String> typed) {
        return IntStream.range(0, MOST_PLACES)
                .boxed()
                .flatMap(i -> Stream.of(typed.getOrDefault("across-" + i, ""), typed.getOrDefault("down-" + i, "")))
                .filter(text -> !text.isBlank() && number(text).isEmpty())
                .findFirst();
    }

    private static List<Underlay.Seen> seen(BookedJob book, Map<String, String> typed) {
        Map<String, Position> known = Planning.known(book);
        List<Underlay.Seen> seen = new ArrayList<>();
        for (int i = 0; i < MOST_PLACES; i++) {
            Position at = known.get(typed.getOrDefault("mark-" + i, ""));
            Optional<Double> across = number(typed.get("across-" + i));
            Optional<Double> down = number(typed.get("down-" + i));
            if (at != null && across.isPresent() && down.isPresent()) {
                seen.add(new Underlay.Seen(new Place(at.northing(), at.easting()), across.get(), down.get()));
            }
        }
        return seen;
    }

    private static Optional<Double> number(String typed) {
        try {
            return typed == null || typed.isBlank()
                    ? Optional.empty()
                    : Optional.of(Double.valueOf(typed.strip().replace(',', '.')))
                            .filter(Double::isFinite);
        } catch (NumberFormatException wrong) {
            return Optional.empty();
        }
    }

    private static ResponseEntity<String> fault(String sentence) {
        return ResponseEntity.unprocessableContent()
                .contentType(MediaType.APPLICATION_JSON)
                .body(JsonTrees.line(new Fields().put("message", sentence)));
    }
}
