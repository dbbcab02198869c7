package markturn.web.register;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A mark of the register: a name in a datum. Its coordinates stand in its values. */
@Entity
@Table(name = "register_mark")
public class RegisterMark {
    @Id
    @Column(columnDefinition = "char(36)")
    private String id;

    private String name;
    private String datum;

    protected RegisterMark() {}

    RegisterMark(String id, String name, String datum) {
        this.id = id;
        this.name = name;
        this.datum = datum;
    }

    public String id() {
        return id;
    }

    public String name() {
        return name;
    }

    public String datum() {
        return datum;
    }
}
