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
        /** What each rule found, where it found something; empty until the setup has been looked at. */
        private Map<Rule, List<Finding>> found;
    }

    /** Those of the setups at hand on which something was found, in their order. */
    private List<Of> troubled = List.of();

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

    /** Looks at every setup that has not been looked at as it is. */
    void look(List<SetupRule> rules, Evidence evidence) {
        troubled = new ArrayList<>();
        evidence.setups().forEach(setup -> {
            Of of = of(setup);
            if (of.found == null) {
                of.found = new IdentityHashMap<>();
                for (SetupRule rule : rules) {
                    List<Finding> found = rule.judge(evidence, setup).toList();
                    if (!found.isEmpty()) {
                        of.found.put(rule, found);
                    }
                }
            }
            if (!of.found.isEmpty()) {
                troubled.add(of);
            }
        });
    }

    /** What a rule finds, setup by setup where it looks at single ones. */
    List<Finding> found(Rule rule, Evidence evidence) {
        if (!(rule instanceof SetupRule)) {
            return rule.judge(evidence).toList();
        }
        List<Finding> all = new ArrayList<>();
        troubled.forEach(of -> all.addAll(of.found.getOrDefault(rule, List.of())));
        return all;
    }

    /** Lets go of what this job does not hold any more. */
    void done() {
        known = inUse;
        inUse = new IdentityHashMap<>();
    }
}
