package markturn.survey.finding.base;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import markturn.survey.angle.Angles;
import markturn.survey.finding.words.Words;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Resected;
import markturn.survey.result.Resected.Sighted;

/**
 * A free station that has a position, as the rules look at it.
 *
 * @param used the marks of which anything takes part in the plan
 */
public record FreeStationEvidence(MeasuredSetup setup, Resected resected, Position station, List<Sighted> used) {
    /** Every free station of a job that has a position. */
    public static List<FreeStationEvidence> of(Measured measured) {
        return scrutinised(measured).stream()
                .filter(s -> s.setup().setup().isFree())
                .toList();
    }

    /** Every setup of which the marks it sights were tested against each other, occupied ones too. */
    public static List<FreeStationEvidence> scrutinised(Measured measured) {
        return measured.setups().stream()
                .filter(s -> s.resected().isPresent() && s.station().isPresent())
                .map(s -> new FreeStationEvidence(
                        s,
                        s.resected().get(),
                        s.station().get(),
                        s.resected().get().sights().stream()
                                .filter(Sighted::isUsed)
                                .toList()))
                .toList();
    }

    public String name() {
        return setup.name();
    }

    public double azimuthTo(Sighted sight) {
        return Angles.onCircle(Math.atan2(sight.easting() - station.easting(), sight.northing() - station.northing()));
    }

    /** The smallest arc that holds all used marks: from which azimuth, and how wide, radians. */
    public Sector sector() {
        List<Double> azimuths =
                new ArrayList<>(used.stream().map(this::azimuthTo).toList());
        Collections.sort(azimuths);
        double widestGap = 0;
        double from = 0;
        for (int i = 0; i < azimuths.size(); i++) {
            double next = i + 1 < azimuths.size() ? azimuths.get(i + 1) : azimuths.get(0) + Angles.TURN;
            if (next - azimuths.get(i) > widestGap) {
                widestGap = next - azimuths.get(i);
                from = Angles.onCircle(next);
            }
        }
        return new Sector(from, Angles.TURN - widestGap);
    }

    /** An arc of azimuths, radians. */
    public record Sector(double from, double width) {
        public boolean holds(double azimuth) {
            return Angles.onCircle(azimuth - from) <= width;
        }

        /** The azimuth across from its middle: where another mark would help most. */
        public double opposite() {
            return Angles.onCircle(from + width / 2 + Math.PI);
        }
    }

    public double farthestMark() {
        return used.stream().mapToDouble(Sighted::distance).max().orElse(0);
    }

    /** Known control that was not sighted, and where to turn for it; else the direction in which a mark is wanted. */
    public String nextSight(Evidence evidence) {
        List<String> sighted = resected.sights().stream()
                .map(s -> evidence.job().trueName(s.target()))
                .toList();
        String others = evidence.measured().marks().stream()
                .filter(m -> m.mark().given().isPresent() && m.position().isPresent())
                .filter(m -> !sighted.contains(m.name())
                        && !m.name()
                                .equals(evidence.job().trueName(setup.setup().station())))
                .limit(2)
                .map(m -> where(evidence, m.name(), m.position().orElseThrow()))
                .collect(Collectors.joining(" or "));
        return others.isEmpty() ? "one more mark towards about " + Words.degrees(sector().opposite()) + "°" : others;
    }

    private String where(Evidence evidence, String mark, Position at) {
        return "%s (%s, %s)"
                .formatted(
                        mark,
                        evidence.words().about(Angles.onCircle(station.azimuthTo(at))),
                        evidence.words().line(station.distanceTo(at)));
    }
}
