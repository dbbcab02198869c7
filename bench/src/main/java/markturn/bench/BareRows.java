package markturn.bench;

import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Stores a row, and nothing else: the least a booked line can take through this framework. */
@RestController
class BareRows {
    private final BareStore store;

    BareRows(BareStore store) {
        this.store = store;
    }

    @PostMapping("/row")
    ResponseEntity<Void> row(@RequestParam String text) {
        store.save(new BareRow(text));
        return ResponseEntity.noContent().build();
    }
}
