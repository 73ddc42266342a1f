package org.hiddenclerk.app.stage.survey;

import java.util.List;
import org.hiddenclerk.app.platform.problem.OpensIssuedWork;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Work that was issued is opened again only by a request that says so: otherwise a plan in somebody's hands could vanish by a slip. */
@Component
public class ChangesOfIssuedWork {
    /** Asked for late: whoever knows of issued plans changes boxes too. */
    private final ObjectProvider<IssuedWork> issued;

    ChangesOfIssuedWork(ObjectProvider<IssuedWork> issued) {
        this.issued = issued;
    }

    /**
     * @param found the box that is about to change
     * @throws OpensIssuedWork when a plan was issued on the ground of it, and the request does not say that it is to be opened again
     */
    public void refuseUnlessMeant(Boxes.Found found) {
        refuseUnlessMeant(List.of(found));
    }

    /**
     * @param found boxes that are about to change together
     * @throws OpensIssuedWork when plans were issued on the ground of them, and the request does not say that they are to be opened again
     */
    public void refuseUnlessMeant(List<Boxes.Found> found) {
        if (!isMeant()) {
            List<String> labels = found.stream()
                    .flatMap(box -> issued.getObject().restingOn(box).stream())
                    .distinct()
                    .sorted()
                    .toList();
            if (!labels.isEmpty()) {
                throw new OpensIssuedWork(labels);
            }
        }
    }

    /** What is no request was not asked for by a slip of a hand. */
    private static boolean isMeant() {
        return !(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request)
                || "yes".equalsIgnoreCase(request.getRequest().getHeader(OpensIssuedWork.HEADER));
    }
}
