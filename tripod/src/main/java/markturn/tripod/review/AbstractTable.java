package markturn.tripod.review;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;
import markturn.survey.show.Display;
import markturn.tripod.view.TableShown;
import markturn.tripod.view.TableShown.Cell;
import markturn.tripod.view.TableShown.Row;

/**
 * The abstract of the sets of a setup: a row for each target that was turned in sets.
 *
 * @param scale the grid's, 1 where distances are on the ground
 */
record AbstractTable(MeasuredSetup setup, Display show, double scale) {
    TableShown table() {
        boolean onTheGround = scale == 1;
        String small = show.smallSign();
        String length = show.lengthSign();
        List<String> heads = new ArrayList<>(List.of(
                "Target",
                "#Sets",
                "#Direction",
                "#Residuals " + small,
                "#Std. dev. " + small,
                "#of mean " + small,
                "#Collimation " + small,
                "#Index " + small,
                "#Zenith",
                "#" + (onTheGround ? "Horizontal" : "Grid distance") + " " + length));
        if (!onTheGround) {
            heads.add("#Ground " + length);
        }
        heads.add("#Elevation diff. " + length);
        TableShown table = TableShown.headed(heads.toArray(String[]::new));
        setup.abstracts().stream()
                .filter(sets -> !sets.fix().single())
                .forEach(sets -> table.with(row(sets, onTheGround)));
        return table;
    }

    private Row row(SetAbstract sets, boolean onTheGround) {
        List<Cell> cells = new ArrayList<>(List.of(
                Cell.of(sets.target()),
                Cell.number(String.valueOf(sets.sets())),
                Cell.number(show.angle(sets.direction())),
                Cell.numbers(sets.residuals().stream().map(show::small).toList()),
                Cell.number(show.smallSize(sets.stdDev())),
                Cell.number(show.smallSize(sets.stdDevMean())),
                Cell.numbers(sets.collimation().stream().map(show::small).toList()),
                Cell.numbers(sets.index().stream().map(show::small).toList()),
                Cell.number(show.angle(sets.zenith())),
                Cell.number(show.length(sets.horizontal()))));
        if (!onTheGround) {
            cells.add(Cell.number(show.ground(sets.horizontal(), scale)));
        }
        cells.add(Cell.number(show.length(sets.elevationDifference())));
        return new Row(sets.target(), "", cells);
    }
}
