package org.hiddenclerk.app.platform.background;

import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;

/** One thread of its own for one kind of work. */
public final class Worker {
    private Worker() {}

    /**
     * A thread that keeps nobody from ending the application.
     *
     * @param name under which it is found in a dump of threads and in the log
     */
    public static ScheduledExecutorService named(String name) {
        return Executors.newSingleThreadScheduledExecutor(work -> {
            Thread thread = new Thread(work, name);
            thread.setDaemon(true);
            return thread;
        });
    }
}
