package markturn.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Many people, each in a job of their own, who book as fast as they are answered; and one job after the other, more than fit in a row. */
public final class PeopleBench {
    private static final int SETUPS = 8;
    private static final int DETAIL = 17;
    /** Seconds until what runs often is compiled. */
    private static final int WARM_UP = 60;

    private static final int SECONDS = 15;
    private static final int[] PEOPLE = {1, 16, 40, 64};

    private PeopleBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        int most = PEOPLE[PEOPLE.length - 1];
        List<Visitor> visitors = new ArrayList<>();
        List<String> jobs = new ArrayList<>();
        for (int i = 0; i < most; i++) {
            Visitor visitor = new Visitor(arguments[0]);
            visitor.signIn();
            visitors.add(visitor);
            jobs.add(visitor.bringIn(ChainOfSetups.job(SETUPS, DETAIL)));
        }
        System.out.printf(
                Locale.ROOT,
                "people who book at once, each in a job of %d setups and %d readings, %d s each; this machine also plays the people%n",
                SETUPS,
                SETUPS * (8 + DETAIL),
                SECONDS);
        together(visitors, jobs, most, WARM_UP);
        for (int people : PEOPLE) {
            double[] times = together(visitors, jobs, people, SECONDS);
            System.out.printf(
                    Locale.ROOT,
                    "  %3d people   %5.0f bookings a second, median %4.0f ms, 95 of 100 within %4.0f ms%n",
                    people,
                    times.length / (double) SECONDS,
                    times[times.length / 2],
                    times[(int) (0.95 * times.length)]);
        }
    }

    /** Milliseconds of each answer, sorted. */
    private static double[] together(List<Visitor> visitors, List<String> jobs, int people, int seconds)
            throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(people);
        long end = System.nanoTime() + seconds * 1_000_000_000L;
        List<Callable<List<Double>>> work = new ArrayList<>();
        for (int i = 0; i < people; i++) {
            Visitor visitor = visitors.get(i);
            String job = jobs.get(i);
            String token = visitor.token("/job");
            work.add(() -> {
                List<Double> times = new ArrayList<>();
                Map<String, Map<String, String>> shown = new HashMap<>();
                for (int number = 0; System.nanoTime() < end; number++) {
                    String sheet = job + "/turning/S" + (1 + number % SETUPS);
                    Map<String, String> shot = BookingBench.shot(token, (int) (System.nanoTime() >>> 10));
                    if (!shown.containsKey(sheet)) {
                        shown.put(sheet, Visitor.shown(visitor.text(sheet)));
                    }
                    shot.putAll(shown.get(sheet));
                    Visitor.Answer answer = visitor.told(sheet + "/reading", shot);
                    shown.get(sheet).put("since", answer.revision());
                    times.add(answer.milliseconds());
                }
                return times;
            });
        }
        List<Double> all = new ArrayList<>();
        try {
            for (Future<List<Double>> one : threads.invokeAll(work)) {
                all.addAll(one.get());
            }
        } finally {
            threads.shutdownNow();
        }
        double[] sorted = all.stream().mapToDouble(Double::doubleValue).toArray();
        Arrays.sort(sorted);
        return sorted;
    }
}
