package markturn.fieldbook;

import java.time.Instant;

/**
 * Whether an entry is allowed and fits what stands: asked once, when it is added, and never again. What follows of the rules may grow
 * stricter without locking what is stored.
 */
public final class Admission {
    /** Characters of a key; numbers behind it count. */
    public static final int LONGEST_KEY = 70;

    /** So much is left of a key for the numbers of entries that belong together. */
    private static final int NUMBERS = 8;

    private Admission() {}

    /**
     * A key as a page sends it.
     *
     * @throws Refused where it is missing or too long
     */
    public static void requireKey(String key) {
        if (key == null || key.isBlank() || key.length() > LONGEST_KEY - NUMBERS) {
            throw new Refused(
                    "", "The page is too old, or was made by something else: reload it; what you typed stays");
        }
    }

    /**
     * Whether somebody may book this now.
     *
     * @throws NotAllowed where nobody with these roles may
     * @throws Refused where it contradicts what stands, or another device writes there
     */
    public static void require(BookedJob book, EntryPayload payload, Booker by) {
        requireRight(payload, by);
        requirePen(book, payload);
        payload.require(book);
    }

    /** @throws NotAllowed where nobody with these roles may book it */
    public static void requireRight(EntryPayload payload, Booker by) {
        if (!payload.mayBook().includes(by.surveyor(), by.reviewer())) {
            throw new NotAllowed("That is booked by " + payload.mayBook().words() + ", and " + by.name()
                    + " is none here. Nothing was stored.");
        }
    }

    /**
     * The same key once more: the same line sent twice is one line.
     *
     * @throws KeyTaken where another content came under it
     */
    public static void requireSame(Entry stored, EntryPayload again) {
        if (!Resent.isSame(stored.payload(), again)) {
            throw new KeyTaken();
        }
    }

    /** One device writes at a setup at a time. */
    private static void requirePen(BookedJob book, EntryPayload payload) {
        String device = payload.device().orElse("");
        for (String setup : payload.writesAt(book)) {
            book.pen(setup).filter(pen -> !pen.device().equals(device)).ifPresent(pen -> {
                throw new Refused(
                        "pen",
                        pen.by() + " writes at " + setup
                                + " with another device. Nothing was booked: take the pen first, or leave it there.");
            });
        }
    }

    /**
     * What entries would make of a book, without storing them.
     *
     * @throws Refused where one contradicts what stands
     */
    public static BookedJob preview(BookedJob book, String by, Instant at, EntryPayload... payloads) {
        BookedJob longer = book;
        for (EntryPayload payload : payloads) {
            payload.require(longer);
            longer = Assembly.with(longer, new Entry(longer.revision() + 1, "preview", at, by, payload));
        }
        return longer;
    }
}
