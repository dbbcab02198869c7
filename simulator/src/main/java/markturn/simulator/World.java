package markturn.simulator;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Where the marks truly are, metres. What a job believes of them is another matter. */
public final class World {
    private final Map<String, TruePlace> places = new LinkedHashMap<>();

    /** A true place: northing, easting, elevation, metres. */
    public record TruePlace(double northing, double easting, double elevation) {
        /** The same place moved. */
        public TruePlace moved(double north, double east, double up) {
            return new TruePlace(northing + north, easting + east, elevation + up);
        }
    }

    /** Puts a mark into the world. */
    public World with(String name, double northing, double easting, double elevation) {
        places.put(name, new TruePlace(northing, easting, elevation));
        return this;
    }

    /** Moves a mark, as a digger or a flood would. */
    public World knock(String name, double north, double east, double up) {
        places.put(name, at(name).moved(north, east, up));
        return this;
    }

    /** Whether a mark is in the world. */
    public boolean holds(String name) {
        return places.containsKey(name);
    }

    /** What is in the world, in the order it was put there. */
    public List<String> names() {
        return List.copyOf(places.keySet());
    }

    /** The place of a mark, which must be in the world. */
    public TruePlace at(String name) {
        TruePlace place = places.get(name);
        if (place == null) {
            throw new IllegalArgumentException("nothing called " + name + " in this world");
        }
        return place;
    }
}
