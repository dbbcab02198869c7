package markturn.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A row with a text. */
@Entity
@Table(name = "bench_row")
class BareRow {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private String text;

    protected BareRow() {}

    BareRow(String text) {
        this.text = text;
    }
}
