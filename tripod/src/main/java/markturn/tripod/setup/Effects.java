package markturn.tripod.setup;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.reduce.Air;
import markturn.survey.result.Position;
import markturn.survey.show.Sentence;
import markturn.survey.station.SetupEffects;
import markturn.tripod.typed.Form;

/** What tilt, centring and air do to the sights of the setup that is being prepared, in words. */
public final class Effects {
    /** A bubble, a plummet and a pocket thermometer read no finer than this. Common practice, no source. */
    private static final double USUAL_PLUMMET = 0.001;

    private static final double ONE_DEGREE = 1;
    private static final double SOME_HECTOPASCALS = 3.5;

    private Effects() {}

    /** @param now when the instrument is set up */
    public static List<String> words(Form form, BookedJob book, Instant now) {
        SetupForm sheet = new SetupForm(form, book, now);
        Words words = new Words(book.job().units());
        SetupEffects effects = new SetupEffects(lines(form, sheet));
        List<String> sentences = new ArrayList<>();
        Optional<Setup.Tilt> tilt = sheet.tilt();
        double size = tilt.map(t -> Math.hypot(t.along(), t.across()))
                .orElse(book.job().classOfWork().limit(Limit.TILT));
        effects.ofTilt(size)
                .ifPresent(e -> sentences.add(Sentence.of(
                        "A tilt of %s turns the steepest sight, %s, by up to %s (%s there), on both faces alike%s.",
                        words.small(size),
                        e.target(),
                        words.small(e.turned()),
                        words.difference(e.moved()),
                        tilt.isPresent() && tilt.get().compensated()
                                ? "; the compensator takes it out"
                                : tilt.isEmpty() ? " (the class's limit; enter what you read)" : "")));
        OptionalDouble plummet = sheet.plummet();
        double beside = plummet.orElse(USUAL_PLUMMET);
        effects.ofCentring(beside)
                .ifPresent(e -> sentences.add(Sentence.of(
                        "%s beside the mark turns the shortest sight, %s (%s), by up to %s.",
                        words.difference(beside), e.target(), words.line(e.distance()), words.small(e.turned()))));
        sheet.instrument().ifPresent(instrument -> air(effects, instrument, sheet, words, sentences));
        return sentences;
    }

    private static void air(
            SetupEffects effects, Instrument instrument, SetupForm sheet, Words words, List<String> sentences) {
        if (sheet.atmosphere().isPresent() && instrument.wavelength().isEmpty()) {
            sentences.add(Sentence.of(
                    "The air changes nothing here: %s has no wavelength in the equipment, so that no correction can be computed. Enter it there.",
                    instrument.name()));
        }
        keyedIn(instrument, sheet, words).ifPresent(sentences::add);
        Atmosphere air = sheet.atmosphere().orElse(instrument.reference());
        effects.ofAir(instrument, air, ONE_DEGREE, 0)
                .ifPresent(degree -> effects.ofAir(instrument, air, 0, SOME_HECTOPASCALS)
                        .ifPresent(pressure -> sentences.add(Sentence.of(
                                "1 degree is %s on the longest sight, %s (%s); 3.5 hPa are %s.",
                                words.difference(degree.moved()),
                                degree.target(),
                                words.line(degree.distance()),
                                words.difference(pressure.moved())))));
    }

    /** What the ppm that is keyed in leaves to be put right, at a kilometre. */
    private static Optional<String> keyedIn(Instrument instrument, SetupForm sheet, Words words) {
        OptionalDouble keyed = sheet.keyedIn().map(Reading.Applied::ppm).orElse(OptionalDouble.empty());
        if (keyed.isEmpty()
                || sheet.atmosphere().isEmpty()
                || instrument.wavelength().isEmpty()) {
            return Optional.empty();
        }
        double belongs = Air.ppm(instrument, sheet.atmosphere().get());
        return Optional.of(Sentence.of(
                "The air is worth %s ppm, keyed in are %s: %s at 1 km, which is put right in every distance.",
                Words.number(belongs, 1),
                Words.number(keyed.getAsDouble(), 1),
                words.difference((belongs - keyed.getAsDouble()) * 1e-6 * 1000)));
    }

    private static List<SetupEffects.EffectSight> lines(Form form, SetupForm sheet) {
        Optional<Position> station = sheet.position(form.text("station"));
        Set<String> targets = new LinkedHashSet<>();
        for (int row = 0; row < SetupForm.BACKSIGHTS; row++) {
            targets.add(form.text("back-" + row));
        }
        for (int row = 0; row < SetupForm.FORESIGHTS; row++) {
            targets.add(form.text("fore-" + row));
        }
        List<SetupEffects.EffectSight> lines = new ArrayList<>();
        for (String target : targets) {
            Optional<Position> at = sheet.position(target);
            if (station.isPresent() && at.isPresent() && station.get().distanceTo(at.get()) > 0) {
                lines.add(line(target, station.get(), at.get()));
            }
        }
        return lines;
    }

    private static SetupEffects.EffectSight line(String target, Position from, Position to) {
        double distance = from.distanceTo(to);
        boolean levels = from.elevation().isPresent() && to.elevation().isPresent();
        return new SetupEffects.EffectSight(
                target,
                distance,
                levels
                        ? OptionalDouble.of(Math.atan2(
                                distance,
                                to.elevation().getAsDouble() - from.elevation().getAsDouble()))
                        : OptionalDouble.empty());
    }
}
