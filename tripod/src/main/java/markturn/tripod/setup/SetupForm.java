package markturn.tripod.setup;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.TurningOrder;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Circle;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import markturn.survey.turning.CircleStart;
import markturn.survey.turning.PointingOrder;
import markturn.tripod.typed.Form;

/** The sheet of setting up, as it was filled in: what is at fault stays with its field. */
public final class SetupForm {
    public static final int BACKSIGHTS = 8;
    public static final int FORESIGHTS = 12;
    private static final double MILLIMETRE = 0.001;
    private static final double SMALL_START = Math.toRadians(5);

    private final Instant now;
    private final Form form;
    private final BookedJob book;
    private final Job job;
    private final List<Mark> newMarks = new ArrayList<>();

    /** @param now when the instrument is set up */
    public SetupForm(Form form, BookedJob book, Instant now) {
        this.now = now;
        this.form = form;
        this.book = book;
        this.job = book.job();
    }

    /** Marks that are met here for the first time. */
    public List<Mark> newMarks() {
        return newMarks;
    }

    public Setup setup(List<TurningOrder.Aim> aims) {
        String station = isFree() || isAnglesOnly() ? unplaced() : occupied();
        Optional<Instrument> instrument = instrument();
        if (instrument.isEmpty()) {
            form.fault("instrument", "Expected one of the instruments of this job");
        }
        Optional<MeasuredHeight> height = instrumentHeight(instrument.flatMap(Instrument::notch));
        if (aims.stream().anyMatch(a -> a.target().equals(station))) {
            form.fault("station", "The instrument stands on " + station + ": sight another mark");
        }
        return new Setup(
                form.name("name", "a name for the setup"),
                station,
                isFree() ? Setup.Method.RESECTION : Setup.Method.OCCUPIED,
                form.text("instrument"),
                height,
                tilt(),
                atmosphere(),
                orientation(aims),
                settingUp(),
                List.of());
    }

    /** Whether it stands anywhere and is fixed by the marks it sights. */
    boolean isFree() {
        return form.text("method").equals("resection");
    }

    /** Whether it stands on a point that has no coordinates, to turn angles and carry nothing. */
    boolean isAnglesOnly() {
        return form.text("method").equals("angles");
    }

    private String occupied() {
        String station = form.name("station", "the mark the instrument stands on");
        if (!station.isEmpty() && !KnownMarks.names(book).contains(station)) {
            form.fault("station", station + " has no coordinates in this job: expected one of its known marks");
        }
        return station;
    }

    /** A free station is new control by a name of its own, and so is a point where nothing but angles is turned. */
    private String unplaced() {
        String station = form.name("freeStation", "a name for the place it stands at");
        if (KnownMarks.names(book).contains(station)) {
            form.fault("freeStation", station + " has coordinates already: occupy it, or take another name");
        } else if (!station.isEmpty() && job.mark(station).isEmpty()) {
            newMarks.add(Mark.named(station, Mark.Kind.NEW));
        }
        return station;
    }

    public Optional<Instrument> instrument() {
        return job.instruments().stream()
                .filter(i -> i.name().equals(form.text("instrument")))
                .findFirst();
    }

    public Optional<MeasuredHeight> instrumentHeight(Optional<Notch> notch) {
        Optional<MeasuredHeight> height = form.height("height", false, "the height of the instrument");
        if (height.isEmpty() && !job.planOnly() && !isFree() && !isAnglesOnly()) {
            form.fault("height", "Empty: expected the height of the instrument");
        }
        height.ifPresent(h -> fits("height", h, notch));
        return height;
    }

    /** A height taped to the notch needs the notch, and a tape longer than its radius. */
    private void fits(String field, MeasuredHeight height, Optional<Notch> notch) {
        double shorter = Math.min(height.value(), height.again().orElse(height.value()));
        if (shorter < 0) {
            form.fault(field, "Below 0: expected a height above the mark");
        }
        if (height.to() == MeasuredHeight.To.NOTCH) {
            if (notch.isEmpty()) {
                form.fault(
                        field,
                        "Its notch is not described in the equipment: measure to the axis, or describe the notch");
            } else if (shorter <= notch.get().radius()) {
                form.fault(field, "Shorter than the notch's radius: expected the slope from mark to notch");
            }
        }
    }

    Optional<Setup.Tilt> tilt() {
        double small = job.units().angle().small();
        OptionalDouble along = form.number("tiltAlong", -3600, 3600, "a small angle");
        OptionalDouble across = form.number("tiltAcross", -3600, 3600, "a small angle");
        if (along.isPresent() != across.isPresent()) {
            form.fault(along.isPresent() ? "tiltAcross" : "tiltAlong", "Both axes of the level go together");
        }
        return along.isPresent() && across.isPresent()
                ? Optional.of(new Setup.Tilt(
                        along.getAsDouble() * small, across.getAsDouble() * small, !form.isEmpty("compensated")))
                : Optional.empty();
    }

    Optional<Atmosphere> atmosphere() {
        OptionalDouble temperature = form.number("temperature", -50, 60, "degrees Celsius, -50 to 60");
        OptionalDouble pressure = form.number("pressure", 500, 1200, "hPa, 500 to 1200");
        if (temperature.isPresent() != pressure.isPresent()) {
            form.fault(temperature.isPresent() ? "pressure" : "temperature", "Temperature and pressure go together");
        }
        return temperature.isPresent() && pressure.isPresent()
                ? Optional.of(new Atmosphere(temperature.getAsDouble(), pressure.getAsDouble(), 0))
                : Optional.empty();
    }

    private Setup.SettingUp settingUp() {
        return new Setup.SettingUp(
                plummet(), millimetres("centring"), Optional.of(now.truncatedTo(ChronoUnit.SECONDS)));
    }

    OptionalDouble plummet() {
        return millimetres("plummet");
    }

    private OptionalDouble millimetres(String field) {
        OptionalDouble typed = form.number(field, 0, 1000, "millimetres, 0 or more");
        return typed.isPresent() ? OptionalDouble.of(typed.getAsDouble() * MILLIMETRE) : typed;
    }

    private Setup.Orientation orientation(List<TurningOrder.Aim> aims) {
        List<String> sights = aims.stream()
                .filter(a -> a.role() == Reading.Role.BACKSIGHT)
                .map(TurningOrder.Aim::target)
                .toList();
        if (isFree() && sights.size() > 0) {
            return new Setup.ByResection(List.of(), false);
        }
        if (sights.isEmpty()) {
            form.fault("back-0", "Empty: expected a backsight; without one nothing is oriented");
            return new Setup.BySights(List.of(""));
        }
        if (isAnglesOnly()) {
            return new Setup.ByAzimuth(form.azimuth("backsightAt").orElseGet(this::zero), sights.get(0));
        }
        return switch (form.text("orientation")) {
            case "azimuth" -> byAzimuth(sights.get(0));
            case "feature" -> byFeature(sights.get(0));
            default -> new Setup.BySights(sights);
        };
    }

    private Setup.Orientation byAzimuth(String sight) {
        Optional<Circle> azimuth = form.azimuth("azimuth");
        if (azimuth.isEmpty()) {
            form.fault("azimuth", "Empty: expected the azimuth to " + sight);
        }
        return new Setup.ByAzimuth(azimuth.orElseGet(this::zero), sight);
    }

    private Circle zero() {
        return new Circle(0, job.units().angle().write(0, 0));
    }

    private Setup.Orientation byFeature(String sight) {
        OptionalDouble north = form.length("featureNorthing", -1e7, 1e8, "its northing, as the map shows it");
        OptionalDouble east = form.length("featureEasting", -1e7, 1e8, "its easting, as the map shows it");
        OptionalDouble within = form.length("featureStdDev", 1e-4, 1e5, "how well the map shows it, above 0");
        if (north.isEmpty() || east.isEmpty() || within.isEmpty()) {
            form.fault("featureNorthing", "Expected northing, easting, and how well the map shows the feature");
        }
        return new Setup.ByFeature(sight, north.orElse(0), east.orElse(0), within.orElse(1));
    }

    /** Backsights first, then the further targets. */
    public List<TurningOrder.Aim> aims() {
        List<TurningOrder.Aim> aims = new ArrayList<>();
        Set<String> names = new HashSet<>();
        boolean byMarks = !isAnglesOnly()
                && !form.text("orientation").equals("azimuth")
                && !form.text("orientation").equals("feature");
        for (int row = 0; row < BACKSIGHTS; row++) {
            String field = "back-" + row;
            if (!form.isEmpty(field)) {
                String name = form.name(field, "a mark");
                if (byMarks && !KnownMarks.names(book).contains(name)) {
                    form.fault(field, name + " has no coordinates in this job: expected one of its known marks");
                } else if (job.mark(name).isEmpty()) {
                    newMarks.add(Mark.named(name, Mark.Kind.LOCATED));
                }
                aim(field, Reading.Role.BACKSIGHT, names).ifPresent(aims::add);
            }
        }
        for (int row = 0; row < FORESIGHTS; row++) {
            String field = "fore-" + row;
            if (!form.isEmpty(field)) {
                String name = form.name(field, "a name");
                // Known marks are sighted as checks: they test the setup and never move.
                boolean isKnown = job.mark(name).flatMap(Mark::given).isPresent();
                if (job.mark(name).isEmpty() && names.stream().noneMatch(name::equals)) {
                    newMarks.add(Mark.named(name, Mark.Kind.NEW));
                }
                aim(field, isKnown ? Reading.Role.CHECK : Reading.Role.FORESIGHT, names)
                        .ifPresent(aims::add);
            }
        }
        return aims;
    }

    private Optional<TurningOrder.Aim> aim(String field, Reading.Role role, Set<String> names) {
        String target = form.text(field);
        if (!names.add(target)) {
            form.fault(field, target + " is named twice");
            return Optional.empty();
        }
        String reflector =
                form.isEmpty(field + "-reflector") ? Reflector.REFLECTORLESS : form.text(field + "-reflector");
        boolean reflectorless = reflector.equals(Reflector.REFLECTORLESS);
        if (!reflectorless && job.reflectors().stream().noneMatch(r -> r.name().equals(reflector))) {
            form.fault(field + "-reflector", "Expected one of the reflectors of this job");
            return Optional.empty();
        }
        String heightField = field + "-height";
        Optional<MeasuredHeight> height = form.height(heightField, true, "the height of the target");
        if (height.isEmpty() && !job.planOnly() && !reflectorless) {
            form.fault(heightField, "Empty: expected the height of the target over its mark");
        }
        return Optional.of(new TurningOrder.Aim(target, role, reflector, height, millimetres(field + "-centring")));
    }

    /** How the sets are turned. */
    public TurningOrder order(List<TurningOrder.Aim> aims, Setup setup) {
        int sets = (int) form.required("sets", 1, PointingOrder.MOST_SETS, "a number of sets from 1 to 99");
        int distances = (int)
                form.number("distances", 1, TurningOrder.MOST_DISTANCES, "how often a distance is measured, 1 to 9")
                        .orElse(1);
        return new TurningOrder(
                sets,
                aims,
                PointingOrder.School.of(form.text("school")),
                new CircleStart(start(setup), !form.isEmpty("stepped")),
                distances,
                Set.of(),
                keyedIn());
    }

    /** What the instrument has keyed in; empty where it is already right. */
    Optional<Reading.Applied> keyedIn() {
        if (!form.text("keyed").equals("typed")) {
            return Optional.empty();
        }
        OptionalDouble ppm = form.number("keyedPpm", -500, 500, "parts per million, as the instrument shows them");
        OptionalDouble constant =
                form.number("keyedConstant", -1000, 1000, "millimetres, as the instrument shows them");
        if (ppm.isEmpty() && constant.isEmpty()) {
            form.fault("keyedPpm", "Empty: expected what the instrument shows, or choose that it is already right");
        }
        return Optional.of(new Reading.Applied(
                constant.isPresent() ? OptionalDouble.of(constant.getAsDouble() * MILLIMETRE) : constant, ppm));
    }

    private OptionalDouble start(Setup setup) {
        return switch (form.text("start")) {
            case "zero" -> OptionalDouble.of(0);
            case "small" -> OptionalDouble.of(SMALL_START);
            case "azimuth" -> azimuthOfFirst(setup);
            case "typed" -> {
                Optional<Circle> typed = form.circle("circleStart");
                if (typed.isEmpty()) {
                    form.fault("circleStart", "Empty: expected what the circle is to read on the first target");
                }
                yield typed.map(c -> OptionalDouble.of(c.radians())).orElse(OptionalDouble.empty());
            }
            default -> OptionalDouble.empty();
        };
    }

    private OptionalDouble azimuthOfFirst(Setup setup) {
        if (setup.orientation() instanceof Setup.ByAzimuth given) {
            return OptionalDouble.of(given.azimuth().radians());
        }
        if (setup.isFree()) {
            return OptionalDouble.empty();
        }
        Optional<Position> from = position(setup.station());
        Optional<Position> to = position(setup.orientation().zero());
        if (from.isEmpty() || to.isEmpty()) {
            return OptionalDouble.empty();
        }
        // To the second, as a circle is turned by hand.
        AngleUnit unit = job.units().angle();
        return OptionalDouble.of(
                unit.read(unit.write(Angles.onCircle(from.get().azimuthTo(to.get())), unit == AngleUnit.DMS ? 0 : 4)));
    }

    Optional<Position> position(String name) {
        return book.result().measured().mark(job.trueName(name)).flatMap(MeasuredMark::position);
    }
}
