package markturn.web.traverse;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import markturn.survey.SurveyResult;
import markturn.survey.job.Mark;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;
import markturn.survey.show.TrueScale;

/** The marks a route may run over, at true scale with the sights between them, to choose from. Drawing units; north is up. */
public record RoutePlan(List<Dot> marks, String sights) {
    private static final double WIDTH = 520;
    private static final double HEIGHT = 340;
    private static final double BORDER = 46;

    /** A mark; {@code fixed} where a traverse may begin or close on it. */
    public record Dot(String name, boolean fixed, String x, String y) {}

    static RoutePlan of(SurveyResult result) {
        Set<String> stations = new TreeSet<>();
        result.job().setups().stream()
                .map(Setup::station)
                .map(result.job()::trueName)
                .forEach(stations::add);
        Map<String, Position> places = new LinkedHashMap<>();
        for (MeasuredMark mark : result.measured().marks()) {
            boolean fixed = mark.mark().given().isPresent();
            boolean partakes = fixed || mark.mark().kind() == Mark.Kind.NEW || stations.contains(mark.name());
            if (partakes && mark.position().isPresent()) {
                places.put(mark.name(), mark.position().get());
            }
        }
        TrueScale scale = new TrueScale(places.values(), WIDTH, HEIGHT, BORDER);
        Map<String, Dot> dots = new LinkedHashMap<>();
        places.forEach((name, at) -> dots.put(
                name,
                new Dot(name, result.job().mark(name).flatMap(Mark::given).isPresent(), scale.x(at), scale.y(at))));
        StringBuilder sights = new StringBuilder();
        for (MeasuredSetup setup : result.measured().setups()) {
            Dot from = dots.get(result.job().trueName(setup.setup().station()));
            for (SetAbstract sets : setup.abstracts()) {
                Dot to = dots.get(result.job().trueName(sets.target()));
                if (from != null && to != null) {
                    sights.append("M%s %sL%s %s".formatted(from.x(), from.y(), to.x(), to.y()));
                }
            }
        }
        return new RoutePlan(new ArrayList<>(dots.values()), sights.toString());
    }
}
