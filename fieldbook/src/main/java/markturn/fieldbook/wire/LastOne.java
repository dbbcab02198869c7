package markturn.fieldbook.wire;

/**
 * Of values that mostly follow with the same once more: they are kept as one. Asked by several at a time it keeps fewer of them as one, and
 * is never wrong.
 */
public final class LastOne<T> {
    private volatile T last;

    public LastOne(T first) {
        this.last = first;
    }

    /** The same value: the one before where that is equal. */
    public T of(T value) {
        T before = last;
        if (value.equals(before)) {
            return before;
        }
        last = value;
        return value;
    }
}
