package markturn.tripod.planning;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkPlan;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** Which marks see each other: a row for each mark that an instrument would stand on. */
public record MarksInSight(Site site, WorkPlan plan) implements Shown {
    @Override
    public Sheet sheet() {
        Set<String> names = new LinkedHashSet<>(site.known().keySet());
        plan.wanted().forEach(mark -> names.add(mark.name()));
        List<Shown> rows = new ArrayList<>();
        for (String one : names) {
            StringBuilder row = new StringBuilder();
            for (String other : names) {
                row.append(one.equals(other) ? 's' : sign(one, other));
            }
            rows.add(PlanForeseen.said(row.toString()));
        }
        return Sheet.empty()
                .with("marks", names.stream().map(PlanForeseen::said).toList())
                .with("rows", rows);
    }

    private char sign(String one, String other) {
        return switch (site.sight(plan, one, other).view()) {
            case CLEAR -> 'c';
            case GRAZING -> 'g';
            case BLOCKED -> 'b';
        };
    }
}
