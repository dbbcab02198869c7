package markturn.survey.finding;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.GatheringRule;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.result.MeasuredSetup;

/**
 * What was found on each setup before. A setup that is the very same result again, in a job of the same settings, is judged the same:
 * {@link SetupEvidence} shows its rules nothing else.
 */
public final class FindingCache {
    private Map<MeasuredSetup, Remembered> known = new IdentityHashMap<>();
    private Map<MeasuredSetup, Remembered> inUse = new IdentityHashMap<>();

    private static final class Remembered {
        /** What each rule found, where it found something; null until the setup has been looked at. */
        private Map<Rule, List<Finding>> found;
        /** What each rule gathered, where it gathered something. */
        private final Map<Rule, List<?>> gathered = new IdentityHashMap<>();
    }

    /** Those of the setups at hand, in their order. */
    private List<Remembered> all = List.of();

    /** What each rule found on the setups at hand, in their order. */
    private Map<Rule, List<Finding>> bySetups = Map.of();

    private Remembered of(MeasuredSetup setup) {
        return inUse.computeIfAbsent(setup, s -> known.getOrDefault(s, new Remembered()));
    }

    /** Looks at every setup that has not been looked at as it is. */
    void look(List<SetupRule> rules, List<GatheringRule<?>> gathering, Evidence evidence) {
        bySetups = new IdentityHashMap<>();
        all = new ArrayList<>();
        evidence.setups().forEach(setup -> {
            Remembered of = of(setup);
            if (of.found == null) {
                of.found = new IdentityHashMap<>();
                SetupEvidence seen = evidence.of(setup);
                for (SetupRule rule : rules) {
                    List<Finding> found = rule.judge(seen).toList();
                    if (!found.isEmpty()) {
                        of.found.put(rule, found);
                    }
                }
                gathering.forEach(rule -> of.gathered.put(rule, rule.gather(seen)));
            }
            all.add(of);
            of.found.forEach((rule, found) ->
                    bySetups.computeIfAbsent(rule, r -> new ArrayList<>()).addAll(found));
        });
    }

    /** What a rule finds, setup by setup where it looks at single ones. */
    List<Finding> found(Rule rule, Evidence evidence) {
        if (rule instanceof GatheringRule<?> gathering) {
            return judged(gathering, evidence);
        }
        return rule instanceof SetupRule
                ? bySetups.getOrDefault(rule, List.of())
                : rule.judge(evidence).toList();
    }

    /** What is kept under a rule is what that rule gathered. */
    @SuppressWarnings("unchecked")
    private <T> List<Finding> judged(GatheringRule<T> rule, Evidence evidence) {
        List<T> gathered = new ArrayList<>();
        all.forEach(of -> gathered.addAll((List<T>) of.gathered.get(rule)));
        return rule.judge(evidence, gathered).toList();
    }

    /** Lets go of what this job does not hold any more. */
    void done() {
        known = inUse;
        inUse = new IdentityHashMap<>();
    }
}
