package org.hiddenclerk.app.stage.bench;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.stage.bench.BenchPlaces.ModulePlace;
import org.hiddenclerk.app.stage.survey.RecordSurvey;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.naming.Convention;
import org.hiddenclerk.core.naming.DeviceName;
import org.hiddenclerk.core.naming.Names;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Names of a job's modules: what they are called, and what the convention would call them now. */
@Component
class Naming {
    private final NamingRepository namings;
    private final BenchUnitRepository units;
    private final BenchPlaces places;
    private final ApplicationEventPublisher events;

    Naming(NamingRepository namings, BenchUnitRepository units, BenchPlaces places, ApplicationEventPublisher events) {
        this.namings = namings;
        this.units = units;
        this.places = places;
        this.events = events;
    }

    Convention convention(UUID job) {
        return namings.findById(job).map(NamingRow::convention).orElse(Convention.USUAL);
    }

    @Transactional
    public void follow(UUID job, Convention convention) {
        NamingRow row = namings.findById(job).orElseGet(() -> new NamingRow(job));
        row.follows(convention);
        namings.save(row);
    }

    /** By place: names that modules have stay, others come from the convention. */
    @Transactional(readOnly = true)
    public Map<DeviceId, DeviceName> names(UUID job, List<ModulePlace> all) {
        return Names.of(all.stream().map(ModulePlace::named).toList(), convention(job), given(job));
    }

    /** By place: what the convention makes of the places as they are called now. */
    private static Map<DeviceId, DeviceName> afresh(List<ModulePlace> all, Convention convention) {
        return Names.of(all.stream().map(ModulePlace::named).toList(), convention, Map.of());
    }

    private Map<DeviceId, DeviceName> given(UUID job) {
        Map<DeviceId, DeviceName> given = new LinkedHashMap<>();
        units.findByJobIdOrderByTakenAt(job).forEach(unit -> unit.place()
                .ifPresent(place -> unit.name().ifPresent(name -> given.put(place.inHouse(), name))));
        return given;
    }

    /** What would be called otherwise by a convention, in an order in which no name is ever given twice. */
    @Transactional(readOnly = true)
    public List<Names.Renaming> renamings(UUID job, Convention convention) {
        return Names.inOrder(Names.renamings(given(job), afresh(places.of(job), convention)));
    }

    /**
     * A switch that is called otherwise renames what was named after it, as long as no label bears the old name; what has its label, or has
     * joined under its name, waits until somebody renames it with all that speaks of it.
     */
    @EventListener
    @Transactional
    void follow(RecordSurvey.CalledOtherwise said) {
        List<BenchUnitRow> all = units.findByJobIdOrderByTakenAt(said.job());
        Map<DeviceId, BenchUnitRow> open = new LinkedHashMap<>();
        Map<DeviceId, DeviceName> before = new LinkedHashMap<>();
        Map<DeviceId, DeviceName> kept = new LinkedHashMap<>();
        all.forEach(unit -> unit.place().ifPresent(place -> unit.name().ifPresent(name -> {
            if (unit.hasItsLabel()) {
                kept.put(place.inHouse(), name);
            } else {
                open.put(place.inHouse(), unit);
                before.put(place.inHouse(), name);
            }
        })));
        if (open.isEmpty()) {
            return;
        }
        Map<DeviceId, DeviceName> after =
                Names.of(places.of(said.job()).stream().map(ModulePlace::named).toList(), convention(said.job()), kept);
        List<Names.Renaming> steps = Names.inOrder(Names.renamings(before, after));
        steps.forEach(step -> {
            open.get(step.place()).isCalledInstead(step.to());
            units.saveAndFlush(open.get(step.place()));
        });
        if (!steps.isEmpty()) {
            events.publishEvent(new Bench.Renamed(said.job()));
        }
    }

    /** Calls every module as the convention says. */
    @Transactional
    public int rename(UUID job) {
        Map<DeviceId, BenchUnitRow> byPlace = new LinkedHashMap<>();
        units.findByJobIdOrderByTakenAt(job)
                .forEach(unit -> unit.place().ifPresent(place -> byPlace.put(place.inHouse(), unit)));
        List<Names.Renaming> steps = renamings(job, convention(job));
        // One after the other: the database refuses a name that another module still has.
        steps.forEach(step -> {
            byPlace.get(step.place()).isCalled(step.to());
            units.saveAndFlush(byPlace.get(step.place()));
        });
        events.publishEvent(new Bench.Renamed(job));
        return (int) steps.stream().map(Names.Renaming::place).distinct().count();
    }
}
