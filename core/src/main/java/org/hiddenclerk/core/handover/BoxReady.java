package org.hiddenclerk.core.handover;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.job.Stage;

/**
 * A box on its way to the final papers.
 *
 * @param tests of the modules that sit in it
 */
public record BoxReady(String box, String label, HandoverRecord.Count tests, Work work) {
    /** How far the work that opens it has come. */
    public enum Work {
        NONE_PICKED,
        NOT_ISSUED,
        ISSUED_BEFORE_A_CHANGE,
        NOT_FINISHED,
        FINISHED
    }

    /** What stands between a house and its final papers. @param box empty for what concerns the whole house */
    public record Block(Optional<String> box, Stage stage, String words) {}

    /**
     * What stands between a house and its final papers.
     *
     * @param isTested whether any test is asked for: a house without a module has nothing to hand over
     */
    public static List<Block> blocks(List<BoxReady> boxes, boolean isTested) {
        List<Block> blocks = new ArrayList<>(
                boxes.stream().flatMap(box -> box.blocks().stream()).toList());
        if (!isTested) {
            blocks.add(new Block(Optional.empty(), Stage.MATCH, "No module is planned in this house yet"));
        }
        return blocks;
    }

    private List<Block> blocks() {
        List<Block> blocks = new ArrayList<>();
        tests.stillToDo().ifPresent(words -> blocks.add(block(Stage.HAND_OVER, words)));
        switch (work) {
            case NOT_ISSUED -> blocks.add(block(Stage.DRAW, "no plan is issued"));
            case ISSUED_BEFORE_A_CHANGE -> blocks.add(block(Stage.DRAW, "the plan was issued before the last change"));
            case NOT_FINISHED -> blocks.add(block(Stage.FIT, "the run sheet is not finished"));
            case NONE_PICKED, FINISHED -> {}
        }
        return blocks;
    }

    private Block block(Stage stage, String words) {
        return new Block(Optional.of(box), stage, label + ": " + words);
    }
}
