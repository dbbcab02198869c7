package markturn.formats;

import java.util.List;
import java.util.stream.Collectors;
import markturn.fieldbook.wire.Fault;

/** A file that cannot be read, with all its faults. */
public final class FaultyFile extends Exception {
    private static final long serialVersionUID = 1;
    private final transient List<Fault> faults;

    public FaultyFile(List<Fault> faults) {
        super(faults.stream().map(Fault::line).collect(Collectors.joining("\n")));
        this.faults = List.copyOf(faults);
    }

    /** At least one. */
    public List<Fault> faults() {
        return faults;
    }
}
