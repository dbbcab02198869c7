package markturn.tripod.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import markturn.survey.finding.words.Words;
import markturn.survey.plan.Dragged;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Covariance;
import markturn.survey.show.Sentence;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** What a plan gives while one of its setups is dragged: ellipses and a sentence, measured as {@link PlanForeseen} does. */
public record PlanDragged(Site site, WorkPlan plan, Dragged.Given given) implements Shown {
    @Override
    public Sheet sheet() {
        PlannedSetup setup = given.setup();
        WorkPlan now = plan.with(List.of(setup));
        List<Shown> sights = new ArrayList<>();
        for (PlannedSetup.Aim aim : setup.aims()) {
            sights.add(PlanForeseen.sight(aim, site.sight(now, setup, aim.target())));
        }
        List<Shown> marks = new ArrayList<>();
        for (Map.Entry<String, Covariance> mark : given.spread().entrySet()) {
            // Control that is only observed becomes better known too; nobody asks for that here.
            if (!site.control().contains(mark.getKey())) {
                Sheet sheet = Sheet.empty().with("name", mark.getKey());
                PlanForeseen.ellipse(sheet, mark.getValue());
                marks.add(() -> sheet);
            }
        }
        return Sheet.empty().with("words", words()).with("sights", sights).with("marks", marks);
    }

    private String words() {
        Covariance station = given.spread().get(given.setup().station());
        return station == null
                ? "Its sights do not fix it."
                : Sentence.of(
                        "The station lies within %s, least well towards %s.",
                        new Words(site.job().units()).difference(PlanWords.within(station)),
                        Words.compass(station.ellipse().azimuth()));
    }
}
