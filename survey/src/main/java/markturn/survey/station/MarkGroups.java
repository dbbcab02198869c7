package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.result.Resected.Pair;

/** Marks of a resection that fit among themselves and not with the others. */
final class MarkGroups {
    private final List<Sight> sights;
    private final double classLimit;

    /** @param classLimit of a position, metres */
    MarkGroups(List<Sight> sights, double classLimit) {
        this.sights = sights;
        this.classLimit = classLimit;
    }

    /** Two groups of at least two marks, each consistent in itself and not with the other. */
    List<List<String>> found(List<Pair> pairs) {
        List<String> marks = sights.stream()
                .filter(s -> s.givesDirection() && s.givesDistance())
                .map(Sight::target)
                .toList();
        if (marks.size() < 4) {
            return List.of();
        }
        List<String> first = agreeing(marks, pairs);
        List<String> rest = marks.stream().filter(m -> !first.contains(m)).toList();
        List<String> second = agreeing(rest, pairs);
        return first.size() >= 2 && second.size() >= 2 && first.size() + second.size() == marks.size()
                ? List.of(first, second)
                : List.of();
    }

    /** The largest set of marks of which every pair agrees; marks are few. */
    private List<String> agreeing(List<String> marks, List<Pair> pairs) {
        List<String> best = List.of();
        int most = Math.min(marks.size(), 12);
        for (int choice = 1; choice < 1 << most; choice++) {
            List<String> some = new ArrayList<>();
            for (int i = 0; i < most; i++) {
                if ((choice & 1 << i) != 0) {
                    some.add(marks.get(i));
                }
            }
            if (some.size() > best.size() && pairs.stream().allMatch(p -> agrees(p, some))) {
                best = some;
            }
        }
        return best;
    }

    private boolean agrees(Pair pair, List<String> some) {
        return !some.contains(pair.one())
                || !some.contains(pair.other())
                || Math.abs(pair.difference()) <= Math.max(classLimit / 2, Scrutiny.FACTOR_OF_CHANCE * pair.stdDev());
    }
}
