package markturn.formats;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import org.w3c.dom.Element;

/** Instruments and reflectors of a LandXML file; what it leaves unsaid is assumed, and said. */
final class LandXmlEquipment {
    private static final int ASSUMED_SECONDS = 5;
    private static final double ASSUMED_DISTANCE = 0.003;

    private final LandXmlValues values;
    private final List<String> remarks;
    private final Map<String, String> names = new HashMap<>();
    private final List<Instrument> instruments = new ArrayList<>();
    private final List<Reflector> reflectors = new ArrayList<>();

    /**
     * What a survey lists.
     *
     * @param remarks takes what is assumed
     */
    LandXmlEquipment(Element survey, LandXmlValues values, List<String> remarks) {
        this.values = values;
        this.remarks = remarks;
        for (Element equipment : SecureXml.children(survey, "Equipment")) {
            SecureXml.children(equipment, "InstrumentDetails").forEach(this::take);
        }
    }

    /** The instrument of that id; without one the first, or one that has to be assumed. */
    String instrument(String id) {
        return names.getOrDefault(
                id, instruments.isEmpty() ? "instrument" : instruments.get(0).name());
    }

    /** A job with everything in it that it uses. */
    Job in(Job job) {
        addUsed(job.setups());
        Job with = job;
        for (Instrument instrument : instruments) {
            with = with.plus(instrument);
        }
        for (Reflector reflector : reflectors) {
            with = with.plus(reflector);
        }
        return with;
    }

    private void take(Element details) {
        Map<String, String> own = LandXmlValues.properties(details);
        String id = details.getAttribute("id");
        String name = details.getAttribute("name").isBlank()
                ? id
                : details.getAttribute("name").strip();
        if (own.containsKey("reflector")) {
            reflectors.add(new Reflector(
                    own.get("reflector"),
                    values.lengthOf(own, "constant"),
                    values.lengthOf(own, "centringStdDev"),
                    values.lengthOf(own, "heightStdDev"),
                    Optional.empty()));
            return;
        }
        names.put(id, name);
        if (own.containsKey("directionStdDev")) {
            instruments.add(new Instrument(
                    name,
                    values.small(own, "directionStdDev"),
                    values.small(own, "zenithStdDev"),
                    values.lengthOf(own, "distanceStdDev"),
                    values.plain(own, "distancePpm"),
                    values.lengthOf(own, "centringStdDev"),
                    values.lengthOf(own, "heightStdDev"),
                    OptionalDouble.empty(),
                    Atmosphere.USUAL_REFERENCE,
                    Optional.empty()));
        } else {
            instruments.add(assumed(name));
        }
    }

    private Instrument assumed(String name) {
        remarks.add("The file does not say how precise %s is: %d\" and %s mm + 2 ppm are assumed."
                .formatted(name, ASSUMED_SECONDS, ASSUMED_DISTANCE * 1000));
        return new Instrument(
                name,
                ASSUMED_SECONDS * Angles.SECOND,
                ASSUMED_SECONDS * Angles.SECOND,
                ASSUMED_DISTANCE,
                2,
                0.001,
                0.002,
                OptionalDouble.empty(),
                Atmosphere.USUAL_REFERENCE,
                Optional.empty());
    }

    /** What setups use without its being described. */
    private void addUsed(List<Setup> setups) {
        Set<String> known = instruments.stream().map(Instrument::name).collect(Collectors.toSet());
        setups.stream()
                .map(Setup::instrument)
                .distinct()
                .filter(name -> !known.contains(name))
                .forEach(name -> instruments.add(assumed(name)));
        Set<String> listed = reflectors.stream().map(Reflector::name).collect(Collectors.toSet());
        listed.add(Reflector.REFLECTORLESS);
        setups.stream()
                .flatMap(s -> s.readings().stream())
                .map(Reading::reflector)
                .distinct()
                .filter(name -> !listed.contains(name))
                .forEach(name -> {
                    remarks.add("The file does not say what " + name
                            + "'s constant is: its distances are taken as they stand.");
                    reflectors.add(new Reflector(name, 0, 0.001, 0.001, Optional.empty()));
                });
    }
}
