package markturn.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import markturn.survey.epoch.FigureComparison;
import markturn.survey.epoch.Movement;
import markturn.survey.epoch.WhatMoved;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Mark;
import markturn.survey.network.FreeFigure;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;
import markturn.survey.show.TrueScale;

/**
 * What moved in plan: the marks at true scale, each shift as an arrow and its ellipse of 95 % at the arrow's head, both enlarged as stated.
 * Drawing units of a sheet {@link #WIDTH} by {@link #HEIGHT}; north is up.
 */
public record MovedDrawing(List<Dot> marks, String enlargement) {
    public static final int WIDTH = 620;
    public static final int HEIGHT = 420;
    private static final double BORDER = 70;
    /** How long the longest arrow, or the largest ellipse, is drawn at most. */
    private static final double LONGEST = 70;

    /**
     * A mark.
     *
     * @param part {@code reference}, {@code shifted} or {@code still}
     * @param arrow path of its shift; empty for the reference
     * @param headX where the arrow ends, and its ellipse stands
     * @param rx half width of the ellipse before it is turned, the smaller axis
     * @param turn of the ellipse, degrees
     */
    public record Dot(
            String name,
            String part,
            boolean labelLeft,
            String x,
            String y,
            String arrow,
            String headX,
            String headY,
            String rx,
            String ry,
            String turn) {
        public boolean isReference() {
            return part.equals("reference");
        }

        private boolean isShifted() {
            return part.equals("shifted");
        }

        /** Where a sign drawn about the origin goes. */
        public String moveTo() {
            return "translate(" + x + " " + y + ")";
        }

        /** Where an ellipse drawn about the origin goes, and how it is turned. */
        public String turned() {
            return "translate(" + headX + " " + headY + ") rotate(" + turn + ")";
        }

        /** Of its arrow, on paper. */
        public String colour() {
            return isShifted() ? "#9C1C1C" : "#555D66";
        }

        /** Of its arrow, drawing units. */
        public String width() {
            return isShifted() ? "3" : "1";
        }
    }

    /** Of a comparison in plan. */
    public static MovedDrawing from(WhatMoved what) {
        if (what.plan().isEmpty() || what.earlier().plan().isEmpty()) {
            return new MovedDrawing(List.of(), "");
        }
        FigureComparison plan = what.plan().get();
        Map<String, Position> places = new TreeMap<>();
        FreeFigure figure = what.earlier().plan().get();
        for (int i = 0; i < figure.marks().size(); i++) {
            places.put(
                    figure.marks().get(i),
                    Position.held(new Mark.Coordinates(
                            figure.values()[2 * i], figure.values()[2 * i + 1], OptionalDouble.empty())));
        }
        places.keySet().removeIf(mark -> plan.movement(mark).isEmpty());
        TrueScale scale = new TrueScale(places.values(), WIDTH, HEIGHT, BORDER);
        double largest = plan.movements().stream()
                .filter(m -> m.part() != Movement.Part.REFERENCE)
                .mapToDouble(m -> Math.max(m.length(), ellipse(m).semiMajor()))
                .max()
                .orElse(1e-3);
        double times = TrueScale.niceBar(LONGEST / Math.max(largest, 1e-6) / scale.perMetre());
        List<Dot> dots = new ArrayList<>();
        for (Movement movement : plan.movements()) {
            dots.add(dot(movement, places.get(movement.mark()), scale, times * scale.perMetre()));
        }
        return new MovedDrawing(
                dots,
                "movements and their ellipses of 95 % are drawn " + Words.number(times, times < 1 ? 1 : 0)
                        + " times as large as the ground");
    }

    private static Covariance.Ellipse ellipse(Movement movement) {
        double[][] q = movement.covariance();
        return new Covariance(q[0][0], q[1][1], q[0][1]).ellipse().of95();
    }

    private static Dot dot(Movement movement, Position at, TrueScale scale, double perMetre) {
        boolean reference = movement.part() == Movement.Part.REFERENCE;
        double x = scale.across(at);
        double y = scale.down(at);
        double headX = reference ? x : x + movement.shift()[1] * perMetre;
        double headY = reference ? y : y - movement.shift()[0] * perMetre;
        Covariance.Ellipse ellipse = ellipse(movement);
        return new Dot(
                movement.mark(),
                reference ? "reference" : movement.moved() ? "shifted" : "still",
                x > WIDTH - 2 * BORDER,
                f(x),
                f(y),
                reference ? "" : arrow(x, y, headX, headY),
                f(headX),
                f(headY),
                f(reference ? 0 : ellipse.semiMinor() * perMetre),
                f(reference ? 0 : ellipse.semiMajor() * perMetre),
                f(Math.toDegrees(ellipse.azimuth())));
    }

    /** A line with a head of two strokes. */
    private static String arrow(double x, double y, double headX, double headY) {
        double length = Math.hypot(headX - x, headY - y);
        String line = "M" + f(x) + " " + f(y) + "L" + f(headX) + " " + f(headY);
        if (length < 1) {
            return line;
        }
        double head = Math.min(8, length / 2) / length;
        double backX = (x - headX) * head;
        double backY = (y - headY) * head;
        return line + "M" + f(headX + backX - backY / 2) + " " + f(headY + backY + backX / 2) + "L" + f(headX) + " "
                + f(headY) + "L" + f(headX + backX + backY / 2) + " " + f(headY + backY - backX / 2);
    }

    private static String f(double value) {
        return Words.number(value, 1);
    }
}
