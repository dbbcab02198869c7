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

    /** Somebody with a job open: the token of a form, and by sheet what its page shows. */
    private record Person(Visitor visitor, String job, String token, Map<String, Map<String, String>> shown) {
        /** Who has signed in, brought in a job and opened the sheet of each of its setups. */
        static Person of(String address) throws Exception {
            Visitor visitor = new Visitor(address);
            visitor.signIn();
            String job = visitor.bringIn(ChainOfSetups.job(SETUPS, DETAIL));
            Map<String, Map<String, String>> shown = new HashMap<>();
            for (int setup = 1; setup <= SETUPS; setup++) {
                String sheet = job + "/turning/S" + setup;
                shown.put(sheet, Visitor.shown(visitor.text(sheet)));
            }
            return new Person(visitor, job, visitor.token("/job/new"), shown);
        }

        /** Books at the next setup; milliseconds until it is told what its page draws anew. */
        double book(int number) throws Exception {
            String sheet = job + "/turning/S" + (1 + number % SETUPS);
            Map<String, String> shot = BookingBench.shot(token, (int) (System.nanoTime() >>> 10));
            shot.putAll(shown.get(sheet));
            Visitor.Answer answer = visitor.told(sheet + "/reading", shot);
            shown.get(sheet).put("since", answer.revision());
            return answer.milliseconds();
        }
    }

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        int most = PEOPLE[PEOPLE.length - 1];
        List<Person> all = new ArrayList<>();
        for (int i = 0; i < most; i++) {
            all.add(Person.of(arguments[0]));
        }
        System.out.printf(
                Locale.ROOT,
                "people who book at once, each in a job of %d setups and %d readings, %d s each; this machine also plays the people%n",
                SETUPS,
                SETUPS * (8 + DETAIL),
                SECONDS);
        together(all, WARM_UP);
        for (int people : PEOPLE) {
            double[] times = together(all.subList(0, people), SECONDS);
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
    private static double[] together(List<Person> people, int seconds) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(people.size());
        long end = System.nanoTime() + seconds * 1_000_000_000L;
        List<Callable<List<Double>>> work = people.stream()
                .<Callable<List<Double>>>map(person -> () -> {
                    List<Double> times = new ArrayList<>();
                    for (int number = 0; System.nanoTime() < end; number++) {
                        times.add(person.book(number));
                    }
                    return times;
                })
                .toList();
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
