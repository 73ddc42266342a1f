package org.hiddenclerk.standins;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import java.util.function.Function;
import org.hiddenclerk.core.live.LiveHouse;

/** A house on the clock of the machine, with a thread of its own: everything that happens in it happens one after the other. */
public final class RunningHouse implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(RunningHouse.class.getName());
    private static final long PATIENCE_MS = 5_000;
    private static final long LONGEST_WAIT_MS = 1_000;
    private static final int MOST_AT_ONE_GO = 500;

    private final LiveHouse house;
    private final long begin = System.nanoTime();
    private final Consumer<LiveHouse> afterwards;
    private final BlockingQueue<Consumer<LiveHouse>> queue = new LinkedBlockingQueue<>();
    private final Thread thread = new Thread(this::run, "live house");
    private volatile boolean closed;

    /** @param afterwards told, on the thread of the house, after something happened */
    public RunningHouse(LiveHouse house, Consumer<LiveHouse> afterwards) {
        this.house = house;
        this.afterwards = afterwards;
        thread.setDaemon(true);
        thread.start();
    }

    private long millis() {
        return (System.nanoTime() - begin) / 1_000_000;
    }

    /** Lets something happen in it, as soon as what was told before has happened. */
    public void tell(Consumer<LiveHouse> what) {
        if (!closed) {
            queue.add(what);
        }
    }

    /** Asks it something, and waits for the answer. @throws IllegalStateException when it does not answer */
    public <T> T ask(Function<LiveHouse, T> question) {
        CompletableFuture<T> answer = new CompletableFuture<>();
        tell(live -> answer.complete(question.apply(live)));
        try {
            return answer.get(PATIENCE_MS, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted while asking the house.", e);
        } catch (ExecutionException | TimeoutException e) {
            throw new IllegalStateException("The house does not answer.", e);
        }
    }

    /** Whatever was told meanwhile happens at one go: under load that spares most of the waiting and waking. */
    private void run() {
        List<Consumer<LiveHouse>> told = new ArrayList<>();
        try {
            while (!closed) {
                long wait = house.due().orElse(Long.MAX_VALUE) - millis();
                Consumer<LiveHouse> first =
                        wait <= 0 ? queue.poll() : queue.poll(Math.min(wait, LONGEST_WAIT_MS), TimeUnit.MILLISECONDS);
                if (first != null) {
                    told.add(first);
                    queue.drainTo(told, MOST_AT_ONE_GO);
                }
                happen(told);
                told.clear();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void happen(List<Consumer<LiveHouse>> told) {
        try {
            house.pass(millis());
        } catch (RuntimeException e) {
            report(e);
        }
        for (Consumer<LiveHouse> what : told) {
            try {
                what.accept(house);
            } catch (RuntimeException e) {
                report(e);
            }
        }
        try {
            house.pass(house.now());
            afterwards.accept(house);
        } catch (RuntimeException e) {
            report(e);
        }
    }

    /** The house goes on: one thing that it cannot digest must not end it. */
    private static void report(RuntimeException e) {
        LOG.log(System.Logger.Level.ERROR, "Something went wrong in the house.", e);
    }

    @Override
    public void close() {
        closed = true;
        thread.interrupt();
    }
}
