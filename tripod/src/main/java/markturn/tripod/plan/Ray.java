package markturn.tripod.plan;

import markturn.survey.finding.words.Words;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** One sight, drawing units; a backsight is drawn heavier. */
record Ray(double fromX, double fromY, double toX, double toY, boolean backsight) implements Shown {
    @Override
    public Sheet sheet() {
        return Sheet.empty()
                .with("x1", Words.number(fromX, 1))
                .with("y1", Words.number(fromY, 1))
                .with("x2", Words.number(toX, 1))
                .with("y2", Words.number(toY, 1))
                .with("kind", backsight ? "back" : "");
    }
}
