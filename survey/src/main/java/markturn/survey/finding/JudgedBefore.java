package markturn.survey.finding;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredSetup;

/**
 * What was judged of each setup before. A setup that is the very same result again, in a job of the same settings, is judged the same; its
 * judgements rest on its checks too.
 */
public final class JudgedBefore {
    private Map<MeasuredSetup, Of> known = new IdentityHashMap<>();
    private Map<MeasuredSetup, Of> inUse = new IdentityHashMap<>();

    private static final class Of {
        private List<Check> checks = List.of();
        private List<Judgement> judgements;
        private final Map<Rule, List<Finding>> found = new IdentityHashMap<>();
    }

    private Of of(MeasuredSetup setup) {
        return inUse.computeIfAbsent(setup, s -> known.getOrDefault(s, new Of()));
    }

    List<Judgement> judgements(MeasuredSetup setup, List<Check> checks, Supplier<List<Judgement>> judge) {
        Of of = of(setup);
        if (of.judgements == null || !of.checks.equals(checks)) {
            of.checks = checks;
            of.judgements = judge.get();
        }
        return of.judgements;
    }

    List<Finding> found(Rule rule, Evidence evidence) {
        if (!(rule instanceof SetupRule ofSetup)) {
            return rule.judge(evidence).toList();
        }
        List<Finding> all = new ArrayList<>();
        evidence.setups()
                .forEach(setup -> all.addAll(of(setup)
                        .found
                        .computeIfAbsent(
                                rule, r -> ofSetup.judge(evidence, setup).toList())));
        return all;
    }

    /** Lets go of what this job does not hold any more. */
    void done() {
        known = inUse;
        inUse = new IdentityHashMap<>();
    }
}
