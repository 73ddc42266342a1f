package org.hiddenclerk.app.stage.day;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.day.DayDocument.CircuitOpenings;
import org.hiddenclerk.app.stage.day.DayDocument.DayQuestion;
import org.hiddenclerk.app.stage.day.DayDocument.DayView;
import org.hiddenclerk.app.stage.day.DayDocument.DaysView;
import org.hiddenclerk.app.stage.day.DayDocument.OpeningView;
import org.hiddenclerk.app.stage.day.DayDocument.VisitView;
import org.hiddenclerk.app.stage.rules.Rules;
import org.hiddenclerk.core.day.DayPlan;
import org.hiddenclerk.core.day.DayPlanner;
import org.hiddenclerk.core.day.DayTask;
import org.hiddenclerk.core.day.DayTask.Norms;
import org.hiddenclerk.core.day.DayTask.Work;
import org.hiddenclerk.core.schedule.Location;
import org.hiddenclerk.core.schedule.SunDay;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Plans the days on site, one after the other, until nothing is left. */
@Service
class Days {
    private static final int MOST_DAYS = 10;

    private final DayPlanRepository plans;
    private final SiteWork site;
    private final Rules rules;
    private final JsonMapper json;
    private final Clock clock;

    Days(DayPlanRepository plans, SiteWork site, Rules rules, JsonMapper json, Clock clock) {
        this.plans = plans;
        this.site = site;
        this.rules = rules;
        this.json = json;
        this.clock = clock;
    }

    Optional<DayPlanRow> last(UUID job) {
        return plans.findById(job);
    }

    DayQuestion asked(DayPlanRow row) {
        return json.readValue(row.asked(), DayQuestion.class);
    }

    DaysView planned(DayPlanRow row) {
        return json.readValue(row.planned(), DaysView.class);
    }

    /**
     * What is asked of a day before anybody asked for something else: tomorrow, one person, the daylight of the
     * place where that is known, and
     * ordinary hours; common practice, no source.
     */
    DayQuestion usual(UUID job) {
        LocalDate tomorrow = LocalDate.now(clock).plusDays(1);
        Optional<Location> where = rules.whereabouts(job);
        Optional<SunDay> sun = where.map(place -> SunDay.of(place, tomorrow));
        return new DayQuestion(
                tomorrow,
                where.map(Location::zone).orElse(ZoneId.systemDefault()).getId(),
                "08:00",
                "17:00",
                sun.flatMap(SunDay::rise).map(Days::clock).orElse("08:30"),
                sun.flatMap(SunDay::set).map(Days::clock).orElse("16:00"),
                null,
                List.of(new DayDocument.CrewEntry("first", true)),
                Map.of(),
                20,
                DayDocument.NormsEntry.of(Norms.USUAL));
    }

    private static String clock(ZonedDateTime time) {
        return String.format(Locale.ROOT, "%02d:%02d", time.getHour(), time.getMinute());
    }

    static int minute(String time) {
        return LocalTime.parse(time).toSecondOfDay() / 60;
    }

    @Transactional
    public void plan(UUID job, DayQuestion question, String who) {
        check(question);
        SiteWork.Site all = site.of(job, question.norms().norms(), question.mostOff());
        question.mostOff().keySet().stream()
                .filter(label -> !all.circuits().containsKey(label))
                .findFirst()
                .ifPresent(label -> {
                    throw ProblemException.content(
                            "The day cannot be planned",
                            new FieldProblem("/mostOff/" + label, label, "a circuit of this house"));
                });
        DayPlanRow row = plans.findById(job).orElseGet(() -> new DayPlanRow(job));
        row.is(
                json.writeValueAsString(question),
                json.writeValueAsString(planned(question, all)),
                who,
                clock.instant().truncatedTo(ChronoUnit.MICROS));
        plans.saveAndFlush(row);
    }

    private static void check(DayQuestion question) {
        if (question.crew().stream().noneMatch(DayDocument.CrewEntry::mayWire)) {
            throw ProblemException.content(
                    "The day cannot be planned",
                    new FieldProblem("/crew", "nobody", "somebody who may work on wiring"));
        }
        if (question.crew().stream().map(DayDocument.CrewEntry::name).distinct().count()
                < question.crew().size()) {
            throw ProblemException.content(
                    "The day cannot be planned", new FieldProblem("/crew", "one name twice", "a name for each"));
        }
        if (minute(question.from()) >= minute(question.to())) {
            throw ProblemException.content(
                    "The day cannot be planned",
                    new FieldProblem("/to", question.to(), "later than " + question.from()));
        }
        if (minute(question.daylightFrom()) > minute(question.daylightTo())) {
            throw ProblemException.content(
                    "The day cannot be planned",
                    new FieldProblem("/daylightTo", question.daylightTo(), "not before " + question.daylightFrom()));
        }
        try {
            ZoneId.of(question.zone());
        } catch (DateTimeException e) {
            throw ProblemException.content(
                    "The day cannot be planned",
                    new FieldProblem("/zone", question.zone(), "a time zone like Europe/Vienna"));
        }
    }

    private static DaysView planned(DayQuestion question, SiteWork.Site all) {
        List<DayView> days = new ArrayList<>();
        List<Work> works = all.works();
        LocalDate date = question.date();
        int notBefore =
                Optional.ofNullable(question.notBefore()).map(Days::minute).orElse(minute(question.from()));
        while (!works.isEmpty() && days.size() < MOST_DAYS) {
            DayPlan plan = DayPlanner.plan(task(question, works, all.circuits(), notBefore));
            boolean today = days.isEmpty() && notBefore > minute(question.from());
            if (plan.openings().isEmpty() && !today) {
                break;
            }
            days.add(view(date, plan, all.words()));
            Set<String> left = new HashSet<>(plan.left());
            works = works.stream().filter(work -> left.contains(work.id())).toList();
            date = date.plusDays(1);
            notBefore = minute(question.from());
        }
        return new DaysView(
                days,
                works.stream().map(Work::words).toList(),
                openings(days, task(question, all.works(), all.circuits(), minute(question.from()))));
    }

    private static DayTask task(
            DayQuestion question, List<Work> works, Map<String, DayTask.CircuitFacts> circuits, int notBefore) {
        return new DayTask(
                works,
                circuits,
                question.crew().stream()
                        .map(c -> new DayTask.Person(c.name(), c.mayWire()))
                        .toList(),
                minute(question.from()),
                minute(question.to()),
                minute(question.daylightFrom()),
                minute(question.daylightTo()),
                notBefore,
                question.tryOutMinutes(),
                question.norms().norms());
    }

    private static List<CircuitOpenings> openings(List<DayView> days, DayTask all) {
        return all.fewestOpenings().entrySet().stream()
                .map(fewest -> new CircuitOpenings(
                        fewest.getKey(),
                        (int) days.stream()
                                .flatMap(day -> day.openings().stream())
                                .filter(opening -> opening.circuits().contains(fewest.getKey()))
                                .count(),
                        fewest.getValue()))
                .toList();
    }

    private static DayView view(LocalDate date, DayPlan plan, Map<String, String> words) {
        return new DayView(
                date,
                plan.visits().stream()
                        .map(visit -> new VisitView(
                                visit.kind(),
                                visit.work().isEmpty() ? null : UUID.fromString(visit.work()),
                                say(visit, words),
                                visit.circuits(),
                                visit.person(),
                                visit.from(),
                                visit.to()))
                        .toList(),
                plan.openings().stream()
                        .map(opening -> new OpeningView(
                                opening.circuits(),
                                opening.from(),
                                opening.to(),
                                opening.works().stream().map(words::get).toList()))
                        .toList(),
                plan.notes(),
                plan.optimal());
    }

    private static String say(DayPlan.Visit visit, Map<String, String> words) {
        return switch (visit.kind()) {
            case ISOLATE ->
                "Isolate " + (visit.circuits().size() > 1 ? "circuits " : "circuit ")
                        + String.join(", ", visit.circuits());
            case WIRE -> words.get(visit.work());
            case SET_UP -> "Set up " + words.get(visit.work());
            case TRY_OUT -> "Try it out with the household";
        };
    }
}
