package markturn.survey.locate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.job.Reflector;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Pose;
import markturn.survey.reduce.PolarFix;
import markturn.survey.result.Position;

/**
 * What the errors of a place sighted from one setup are made of, carried by the instrument's place, orientation and axis. There is one for
 * every located point of a job and few are ever asked, so a lineage is made when it is, from what tells the sight from others; it weighs a
 * sixth of what it makes.
 *
 * @param pose of the instrument
 * @param fix the sight; the place of its first reading tells it from others of the same target
 * @param mark true name of the target
 * @param reflector what was sighted, with the deviations of its centring and its height
 * @param north from the instrument, metres
 * @param east from the instrument, metres
 * @param azimuth of the line, radians
 * @param pointing variance of the direction, square radians
 * @param ranging variance of the grid distance, square metres
 * @param rise variance of the height difference, square metres
 * @param levels whether it has an elevation
 */
record ShotLineages(
        Pose pose,
        PolarFix fix,
        String mark,
        Reflector reflector,
        double north,
        double east,
        double azimuth,
        double pointing,
        double ranging,
        double rise,
        boolean levels)
        implements Position.Lineages {
    /** Its own: pointing across the line, ranging along it, the target's centring where no other sight shares it. */
    @Override
    public Optional<Lineage> plan() {
        double cos = Math.cos(azimuth);
        double sin = Math.sin(azimuth);
        double centring = reflector.centringStdDev();
        boolean shared = pose.targets().isShared(mark);
        double aside = shared ? 0 : centring * centring;
        double across = -pointing * north * east + ranging * cos * sin;
        double[] own = {
            pointing * east * east + ranging * cos * cos + aside,
            across,
            across,
            pointing * north * north + ranging * sin * sin + aside
        };
        List<Lineage.Part> parts = new ArrayList<>();
        parts.add(new Lineage.Part(pose.plan(), new double[] {1, 0, -east, 0, 1, north}));
        if (shared) {
            parts.add(new Lineage.Part(pose.targets().centring(mark), new double[] {centring, 0, 0, centring}));
        }
        return Optional.of(Lineage.of(key("plan"), 2, parts, own));
    }

    /** Its own: zenith angle and distance, and the target's height where no other sight shares it. */
    @Override
    public Optional<Lineage> level() {
        if (!levels) {
            return Optional.empty();
        }
        double height = reflector.heightStdDev();
        double own = rise;
        List<Lineage.Part> parts = new ArrayList<>();
        parts.add(new Lineage.Part(pose.axis(), new double[] {1}));
        if (pose.targets().isShared(mark)) {
            parts.add(new Lineage.Part(pose.targets().height(mark), new double[] {-height}));
        } else {
            own += height * height;
        }
        return Optional.of(Lineage.of(key("level"), 1, parts, new double[] {own}));
    }

    private String key(String what) {
        return pose.setup() + " " + fix.firstPlace() + " " + fix.target() + " " + what;
    }
}
