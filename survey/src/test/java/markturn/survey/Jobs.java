package markturn.survey;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Circle;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.job.Units;

/** Small jobs for tests: A and B are control, A is occupied, the first sight orients. */
public final class Jobs {
    public static final Instrument INSTRUMENT = new Instrument(
            "I1",
            2 * Angles.SECOND,
            2 * Angles.SECOND,
            0.002,
            2,
            0.001,
            0.001,
            OptionalDouble.empty(),
            Atmosphere.USUAL_REFERENCE,
            Optional.of(new Notch(0.05, 0.16)));
    public static final Reflector PRISM = new Reflector("R1", -0.03, 0.001, 0.001, Optional.empty());

    private Jobs() {}

    /** A job on a flat earth with A at 1000, 5000, 10 and B at 1100, 5000, 10, and a setup S1 on A with these readings. */
    public static Job with(List<Reading> readings) {
        return with(new Earth(6371000, 0.13, false, 1), new Setup.BySights(List.of("B")), readings);
    }

    public static Job with(Earth earth, Setup.Orientation orientation, List<Reading> readings) {
        List<Mark> marks = new ArrayList<>();
        marks.add(Mark.control("A", 1000, 5000, OptionalDouble.of(10), ""));
        marks.add(Mark.control("B", 1100, 5000, OptionalDouble.of(10), ""));
        marks.add(Mark.control("C", 1000, 5200, OptionalDouble.of(10), ""));
        marks.add(Mark.control("D", 900, 4900, OptionalDouble.of(10), ""));
        marks.add(Mark.named("T1", Mark.Kind.NEW));
        marks.add(Mark.named("T2", Mark.Kind.NEW));
        marks.add(Mark.named("301", Mark.Kind.LOCATED));
        return Job.opened(
                        "test",
                        "",
                        new Units(LengthUnit.METRE, AngleUnit.DMS),
                        ClassOfWork.of(ClassOfWork.Preset.ENGINEERING),
                        false,
                        earth)
                .plus(INSTRUMENT)
                .plus(PRISM)
                .withMarks(marks)
                .plus(setup("S1", "A", "B", readings).withOrientation(orientation));
    }

    /** A levelled setup on a mark, the instrument 1.6 m above it. */
    public static Setup setup(String name, String station, String back, List<Reading> readings) {
        return new Setup(
                name,
                station,
                Setup.Method.OCCUPIED,
                "I1",
                Optional.of(MeasuredHeight.toAxis(1.6)),
                Optional.of(new Setup.Tilt(0, 0, true)),
                Optional.empty(),
                new Setup.BySights(List.of(back)),
                readings);
    }

    /** A reading in a set (0: none), angles in file notation, at height 1.6 so that level sights carry the station's elevation. */
    public static Reading reading(
            String target, Role role, int set, Face face, String circle, String zenith, double slope) {
        return new Reading(
                target,
                role,
                set == 0 ? OptionalInt.empty() : OptionalInt.of(set),
                face,
                circle(circle),
                zenith.isEmpty() ? Optional.empty() : Optional.of(circle(zenith)),
                slope == 0 ? OptionalDouble.empty() : OptionalDouble.of(slope),
                List.of(),
                "R1",
                Optional.of(MeasuredHeight.toAxis(1.6)),
                Optional.empty(),
                Reading.Origin.TYPED,
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    public static Circle circle(String written) {
        return new Circle(AngleUnit.DMS.read(written), written);
    }

    /** Both faces of one sight in one set, read level, without index. */
    public static List<Reading> pair(String target, Role role, int set, String left, String right, double slope) {
        return List.of(
                reading(target, role, set, Face.LEFT, left, "90-00-00", slope),
                reading(target, role, set, Face.RIGHT, right, "270-00-00", slope));
    }

    @SafeVarargs
    public static List<Reading> all(List<Reading>... some) {
        List<Reading> all = new ArrayList<>();
        for (List<Reading> each : some) {
            all.addAll(each);
        }
        return all;
    }
}
