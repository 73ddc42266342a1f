package org.hiddenclerk.bench;

import java.lang.management.ManagementFactory;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.allocation.Allocation;
import org.hiddenclerk.core.matching.allocation.AllocationTask;
import org.hiddenclerk.core.matching.allocation.Allocator;
import org.hiddenclerk.core.matching.allocation.Weights;
import org.hiddenclerk.core.matching.house.HouseMatch;
import org.hiddenclerk.core.matching.house.HouseMemory;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.radio.FloorPlan;
import org.hiddenclerk.core.radio.RadioPlan;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;

/**
 * Matching and choosing for whole houses. Beside the match, in the same run: the judgement box by box of a share of the same
 * positions. Beside the choice: the same library on the same task with the cheapest option of each unit, which is no plan.
 */
public final class WholeHouse {
    private static final int ROUNDS = 9;
    private static final int WARM_UP = 150;

    private WholeHouse() {}

    public static void main(String[] args) {
        List<ModuleModel> four = SurveyedHouse.stock(400, 7);
        // With an argument only the choices are made.
        if (args.length == 0) {
            match(300, four);
            match(60, SurveyedHouse.stock(40, 7));
            matchNew(300, four);
            matchAfresh(300, four);
        }
        choose(60, SurveyedHouse.stock(40, 7));
        choose(200, SurveyedHouse.stock(40, 7));
        choose(200, four.subList(0, 100));
        long used = ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed() >> 20;
        System.out.printf(
                Locale.ROOT,
                "heap in use at the end %d MB, allowed %d MB%n",
                used,
                Runtime.getRuntime().maxMemory() >> 20);
    }

    private static void match(int positions, List<ModuleModel> models) {
        double[] ours = new double[ROUNDS];
        double[] again = new double[ROUNDS];
        double[] changed = new double[ROUNDS];
        double first = 0;
        int cells = 0;
        HouseMemory memory = new HouseMemory(models, Terms.USUAL, RegionProfile.EU_230);
        new HouseMatch(SurveyedHouse.of(positions, 11), memory).match();
        for (int i = -3; i < ROUNDS; i++) {
            HouseSurvey survey = SurveyedHouse.of(positions, 11);
            long begin = System.nanoTime();
            cells = new HouseMatch(survey, models, Terms.USUAL).match().cells().size();
            double ms = (System.nanoTime() - begin) / 1e6;
            first = i == -3 ? ms : first;
            long second = System.nanoTime();
            new HouseMatch(survey, memory).match();
            long third = System.nanoTime();
            // One module is no longer in the stock book.
            new HouseMatch(survey, memory.under(models.subList(1, models.size()), Terms.USUAL)).match();
            if (i >= 0) {
                ours[i] = ms;
                again[i] = (third - second) / 1e6;
                changed[i] = (System.nanoTime() - third) / 1e6;
            }
        }
        HouseSurvey survey = SurveyedHouse.of(positions, 11);
        long begin = System.nanoTime();
        int judged = 0;
        for (String id : survey.boxes().keySet()) {
            if (judged > 20 * models.size()) {
                break;
            }
            ModuleMatch box = new ModuleMatch(
                    new Planner(
                            survey.house(),
                            ConnectedBoxes.of(survey.boxes(), id, survey.house().region())),
                    Terms.USUAL);
            judged += box.rank(List.of(1), models).size();
        }
        double each = (System.nanoTime() - begin) / 1e3 / judged;
        System.out.printf(
                Locale.ROOT,
                "match %d positions x %d modules: %s, first call %.0f ms; remembered: %s; one module changed: %s; %d verdicts; beside it, "
                        + "box by box: %.0f us a verdict, %.0f ms for as many%n",
                positions,
                models.size(),
                spread(ours),
                first,
                spread(again),
                spread(changed),
                cells,
                each,
                each * cells / 1e3);
    }

    /**
     * Houses that nobody matched before, one after the other, as they come to a firm that has been at work: what was
     * proved for others is remembered.
     */
    private static void matchNew(int positions, List<ModuleModel> models) {
        HouseMemory memory = new HouseMemory(models, Terms.USUAL, RegionProfile.EU_230);
        double[] all = new double[3 * ROUNDS];
        for (int i = 0; i < all.length; i++) {
            HouseSurvey survey = SurveyedHouse.of(positions, 100 + i);
            long begin = System.nanoTime();
            new HouseMatch(survey, memory).match();
            all[i] = (System.nanoTime() - begin) / 1e6;
        }
        System.out.printf(
                Locale.ROOT,
                "match %d positions x %d modules, houses that are new to a memory: first %.0f ms, then by nines %s; %s; %s%n",
                positions,
                models.size(),
                all[0],
                spread(Arrays.copyOfRange(all, 0, ROUNDS)),
                spread(Arrays.copyOfRange(all, ROUNDS, 2 * ROUNDS)),
                spread(Arrays.copyOfRange(all, 2 * ROUNDS, all.length)));
    }

    /** Nothing remembered, again and again, until the virtual machine has compiled what it needs: what the work itself takes. */
    private static void matchAfresh(int positions, List<ModuleModel> models) {
        double[] all = new double[3 * ROUNDS];
        for (int i = -WARM_UP; i < all.length; i++) {
            HouseSurvey survey = SurveyedHouse.of(positions, 11);
            long begin = System.nanoTime();
            new HouseMatch(survey, models, Terms.USUAL).match();
            if (i >= 0) {
                all[i] = (System.nanoTime() - begin) / 1e6;
            }
        }
        System.out.printf(
                Locale.ROOT,
                "match %d positions x %d modules, nothing remembered, after %d matches: by nines %s; %s; %s%n",
                positions,
                models.size(),
                WARM_UP,
                spread(Arrays.copyOfRange(all, 0, ROUNDS)),
                spread(Arrays.copyOfRange(all, ROUNDS, 2 * ROUNDS)),
                spread(Arrays.copyOfRange(all, 2 * ROUNDS, all.length)));
    }

    private static void choose(int positions, List<ModuleModel> models) {
        double[] ours = new double[ROUNDS];
        Optional<Allocation> best = Optional.empty();
        HouseSurvey survey = SurveyedHouse.of(positions, 11);
        HouseMatch.Result matched = new HouseMatch(survey, models, Terms.USUAL).match();
        AllocationTask task = new AllocationTask(
                survey,
                matched.units(),
                matched.options(),
                Terms.USUAL,
                Weights.USUAL,
                Map.of("M0", 10),
                OptionalInt.of(490),
                List.of(),
                false,
                new RadioPlan(FloorPlan.notDrawn(), survey.house().region(), List.of()),
                Duration.ofSeconds(60));
        double first = 0;
        for (int i = -1; i < ROUNDS; i++) {
            long begin = System.nanoTime();
            best = Allocator.solve(task);
            double ms = (System.nanoTime() - begin) / 1e6;
            first = i < 0 ? ms : first;
            if (i >= 0) {
                ours[i] = ms;
            }
        }
        Allocation plan = best.orElseThrow();
        System.out.printf(
                Locale.ROOT,
                "choose %d positions x %d modules (%d options): %s, first %.0f ms; gap %d cents, optimal %s, %d rounds, "
                        + "%d kinds, %d open, %.2f in all%n",
                positions,
                models.size(),
                task.options().size(),
                spread(ours),
                first,
                plan.gapCents(),
                plan.isOptimal(),
                plan.rounds(),
                plan.modules().size(),
                plan.open().size(),
                plan.totalCents() / 100.0);
    }

    private static String spread(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return String.format(
                Locale.ROOT,
                "median %.0f ms, %.0f to %.0f over %d",
                sorted[sorted.length / 2],
                sorted[0],
                sorted[sorted.length - 1],
                sorted.length);
    }
}
