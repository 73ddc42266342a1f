package org.hiddenclerk.app.stage.papers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.core.handover.HouseholdGuide;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The guide for the household, to be read on a telephone. */
@RestController
@Needs(Right.VISIT)
@RequestMapping("/api/v1/jobs/{job}/guide")
@Tag(name = "hand over")
class GuideController {
    private final HouseFactsReader reader;

    GuideController(HouseFactsReader reader) {
        this.reader = reader;
    }

    /** @param draft whether something is open still */
    record GuideView(String house, boolean draft, List<GuideRoomView> rooms, List<GuideAdviceView> whenOut) {}

    record GuideSwitchView(String name, List<String> does) {}

    record GuideRoomView(
            String name,
            String storey,
            List<GuideSwitchView> switches,
            List<String> byItself,
            List<String> afterCut,
            List<String> withoutNet,
            List<String> withoutHub) {
        static GuideRoomView of(HouseFacts.Room room, HouseholdGuide.Page page) {
            return new GuideRoomView(
                    room.name(),
                    room.storey(),
                    page.switches().stream()
                            .map(said -> new GuideSwitchView(said.at().name(), said.does()))
                            .toList(),
                    page.byItself(),
                    page.afterCut(),
                    page.withoutNet(),
                    page.withoutHub());
        }
    }

    record GuideAdviceView(String head, String words) {}

    @GetMapping
    @Operation(operationId = "guide", summary = "What each switch does, by room, and what to do when something is out")
    GuideView guide(@PathVariable UUID job, Principal who) {
        HouseFacts facts = reader.of(job, who.getName());
        return new GuideView(
                facts.name(),
                !facts.held().isFinal(),
                facts.rooms().stream()
                        .filter(room -> facts.guide().containsKey(room.id())
                                && !facts.guide().get(room.id()).switches().isEmpty())
                        .map(room -> GuideRoomView.of(room, facts.guide().get(room.id())))
                        .toList(),
                HouseholdGuide.whenOut(facts.guide().values()).stream()
                        .map(advice -> new GuideAdviceView(advice.head(), advice.words()))
                        .toList());
    }
}
