package org.hiddenclerk.app.practice;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.core.practice.PracticeLevel;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Practice walls of the person who asks. */
@RestController
@Needs(Right.FACTS)
@RequestMapping("/api/v1/practice")
@Tag(name = "practice")
class PracticeController {
    private static final long LARGEST_SEED = 999_999;

    private final Practice practice;
    private final StockBook stock;

    PracticeController(Practice practice, StockBook stock) {
        this.practice = practice;
        this.stock = stock;
    }

    /** Levels to choose from, and what was done so far. */
    record PracticeBook(List<LevelView> levels, List<ResultView> results) {}

    /** A level. */
    record LevelView(PracticeLevel level, String label, String words) {}

    /** One wall that was begun or done; marks once it is done. */
    record ResultView(
            UUID id,
            PracticeLevel level,
            String label,
            long seed,
            Instant startedAt,
            @MayBeAbsent Instant finishedAt,
            @MayBeAbsent Integer testsUsed,
            @MayBeAbsent Integer testsNeeded,
            @MayBeAbsent Integer unsafe,
            @MayBeAbsent Boolean accepted) {
        static ResultView of(PracticeRow row) {
            return new ResultView(
                    row.id(),
                    row.level(),
                    row.level().label(),
                    row.seed(),
                    row.startedAt(),
                    row.finishedAt(),
                    row.testsUsed(),
                    row.testsNeeded(),
                    row.unsafe(),
                    row.accepted());
        }
    }

    /**
     * A wall to begin.
     *
     * @param seed the wall of that number; absent for any
     */
    record NewWall(@NotNull PracticeLevel level, @MayBeAbsent @Min(0) @Max(LARGEST_SEED) Long seed) {}

    /**
     * Something done at a wall.
     *
     * @param after how many deeds were done before
     */
    record NextDeed(@Min(0) int after, @NotNull @Valid DeedEntry deed) {}

    @GetMapping
    @Operation(operationId = "practiceBook")
    PracticeBook book(Principal who) {
        return new PracticeBook(
                Arrays.stream(PracticeLevel.values())
                        .map(l -> new LevelView(l, l.label(), l.words()))
                        .toList(),
                practice.of(who.getName()).stream().map(ResultView::of).toList());
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "startPractice")
    PracticeView start(@Valid @RequestBody NewWall wall, Principal who) {
        long seed = wall.seed() == null ? ThreadLocalRandom.current().nextLong(LARGEST_SEED) : wall.seed();
        return view(practice.start(who.getName(), wall.level(), seed));
    }

    @GetMapping("/{run}")
    @Operation(operationId = "practiceWall")
    PracticeView wall(@PathVariable UUID run, Principal who) {
        return view(practice.find(who.getName(), run));
    }

    @PostMapping("/{run}/deeds")
    @Operation(operationId = "actAtWall")
    PracticeView act(@PathVariable UUID run, @Valid @RequestBody NextDeed next, Principal who) {
        return view(practice.act(who.getName(), run, next.after(), next.deed()));
    }

    private PracticeView view(Practice.StoredRun kept) {
        return PracticeView.of(kept, stock.models());
    }
}
