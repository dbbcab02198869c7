package markturn.tripod.view;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a page shows of a book: parts by their name, and lines in their order, each under its key. Two are compared without knowing what
 * they are about: parts as they are written, lines as they are, since of many lines few differ and only those are written at all.
 */
public final class View {
    /** About what a line holds beside the reading it is of, bytes. */
    private static final int A_LINES_OWN = 700;

    private final long revision;
    private final Map<String, String> parts = new LinkedHashMap<>();
    private final Map<String, Line> lines = new LinkedHashMap<>();
    private final Set<String> always = new HashSet<>();
    private String message = "";
    private String address = "";
    private boolean leaves;

    private View(long revision) {
        this.revision = revision;
    }

    /** A line of a view: whatever is drawn one beneath the other and only ever added. Two that are equal are drawn alike. */
    public interface Line extends Shown {
        /** Names the line for good, in this view and in later ones. */
        String key();
    }

    /** @param revision of the book it shows */
    public static View of(long revision) {
        return new View(revision);
    }

    /** With a part; one that shows nothing is drawn empty. */
    public View with(String name, Shown part) {
        parts.put(name, part.sheet().json());
        return this;
    }

    /** With a part that is sent whatever the page shows: it depends on the time, or on what the page had called for. */
    public View always(String name, Shown part) {
        always.add(name);
        return with(name, part);
    }

    /** With something to be said of what was just booked. */
    public View saying(String sentence) {
        this.message = sentence;
        return this;
    }

    /** Shown at an address of its own from now on, so that a reload shows the same. */
    public View standingAt(String itsAddress) {
        this.address = itsAddress;
        return this;
    }

    /** Left for another page. */
    public View leavingFor(String another) {
        this.leaves = true;
        return standingAt(another);
    }

    /** With a part whose rows are drawn one beneath the other. */
    public View with(String name, List<? extends Shown> rows) {
        return with(name, () -> Sheet.empty().with("rows", rows));
    }

    /** With a part of rows that are always as many, each in its place: of them only those that differ are drawn anew. */
    public View withPlaces(String name, List<? extends Shown> rows) {
        for (int place = 0; place < rows.size(); place++) {
            with(name + "/" + place, rows.get(place));
        }
        return this;
    }

    /** With its lines. */
    public View withLines(List<? extends Line> shown) {
        shown.forEach(line -> lines.put(line.key(), line));
        return this;
    }

    /** The revision of the book it shows. */
    public long revision() {
        return revision;
    }

    /** About how much it holds, bytes. */
    public int weight() {
        return parts.values().stream().mapToInt(String::length).sum() + A_LINES_OWN * lines.size();
    }

    /** All of it. */
    public String whole() {
        return written(true, Map.of(), Map.of());
    }

    /**
     * What is drawn anew after another view of the same page: parts that differ, lines that differ or were not there. Lines that this view
     * no longer shows stay where they are drawn.
     */
    public String since(View before) {
        return written(false, before.parts, before.lines);
    }

    private String written(boolean whole, Map<String, String> oldParts, Map<String, Line> oldLines) {
        StringBuilder text = new StringBuilder("{\"revision\":").append(revision);
        text.append(whole ? ",\"whole\":true" : "");
        if (!message.isEmpty()) {
            Sheet.quote(message, text.append(",\"message\":"));
        }
        if (!address.isEmpty()) {
            Sheet.quote(address, text.append(leaves ? ",\"leave\":" : ",\"at\":"));
        }
        text.append(",\"parts\":{");
        String separator = "";
        for (Map.Entry<String, String> part : parts.entrySet()) {
            if (always.contains(part.getKey()) || !part.getValue().equals(oldParts.get(part.getKey()))) {
                Sheet.quote(part.getKey(), text.append(separator));
                text.append(':').append(part.getValue());
                separator = ",";
            }
        }
        text.append("},\"lines\":[");
        separator = "";
        for (Line line : lines.values()) {
            if (!line.equals(oldLines.get(line.key()))) {
                text.append(separator).append(line.sheet().json());
                separator = ",";
            }
        }
        return text.append("]}").toString();
    }
}
