package markturn.tripod.plan;

/** A rectangle on a drawing: its left upper corner, its width and height, all above 0; drawing units, downwards is positive. */
record Box(double x, double y, double width, double height) {
    private static final int LEFT = 1;
    private static final int ABOVE = 2;
    private static final int RIGHT = 4;
    private static final int BELOW = 8;

    /** Whether they have room in common; a common edge is none. */
    boolean overlaps(Box other) {
        return other.x + other.width > x && other.y + other.height > y && other.x < x + width && other.y < y + height;
    }

    /** Whether a stretch from one place to another enters it: cut at one edge after the other (Cohen and Sutherland), from memory. */
    boolean isCrossedBy(Ray ray) {
        double fromX = ray.fromX();
        double fromY = ray.fromY();
        int end = side(ray.toX(), ray.toY());
        int begin = side(fromX, fromY);
        while (begin != 0 && end != 0) {
            if ((begin & end) != 0) {
                return false;
            }
            if ((begin & (LEFT | RIGHT)) != 0) {
                double edge = (begin & RIGHT) != 0 ? x + width : x;
                fromY += (edge - fromX) * (ray.toY() - fromY) / (ray.toX() - fromX);
                fromX = edge;
            } else {
                double edge = (begin & BELOW) != 0 ? y + height : y;
                fromX += (edge - fromY) * (ray.toX() - fromX) / (ray.toY() - fromY);
                fromY = edge;
            }
            begin = side(fromX, fromY);
        }
        return true;
    }

    /** On which sides of it a place lies; 0 within, and on its edge. */
    private int side(double atX, double atY) {
        return (atX < x ? LEFT : atX > x + width ? RIGHT : 0) | (atY < y ? ABOVE : atY > y + height ? BELOW : 0);
    }
}
