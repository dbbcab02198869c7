package markturn.tripod.plan;

/** Where a name stands beside its symbol; {@code shown} only when asked for where there is no room. */
record Label(int dx, int dy, String anchor, boolean shown) {
    Label movedLeft(int by) {
        return new Label(dx - by, dy, anchor, shown);
    }
}
