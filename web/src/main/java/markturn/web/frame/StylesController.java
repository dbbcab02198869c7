package markturn.web.frame;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The styles of all pages, in one answer. */
@Controller
class StylesController {
    private final StaticParts parts;

    StylesController(StaticParts parts) {
        this.parts = parts;
    }

    /** @param digest of the parts that a page was drawn for: of others there is none */
    @GetMapping("/parts/{digest}/css/all.css")
    ResponseEntity<byte[]> all(@PathVariable String digest) {
        if (!parts.styles().contains("/" + digest + "/")) {
            throw new NotHere();
        }
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("text/css"))
                .cacheControl(StaticParts.FOR_GOOD)
                .body(parts.allStyles());
    }
}
