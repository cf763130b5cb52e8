package orthogon.app.background;

import java.util.concurrent.PriorityBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;

/** Threads that take up work in an order: the smallest first, and of the same size the newest. */
final class WorkQueue {

    private final ThreadPoolExecutor workers;
    private final AtomicLong number = new AtomicLong();

    private record QueuedTask(long size, long number, Runnable work) implements Runnable, Comparable<QueuedTask> {

        @Override
        public void run() {
            work.run();
        }

        @Override
        public int compareTo(QueuedTask other) {
            return size != other.size ? Long.compare(size, other.size) : Long.compare(other.number, number);
        }
    }

    WorkQueue(String name, int threads) {
        workers = new ThreadPoolExecutor(threads, threads, 1, TimeUnit.MINUTES, new PriorityBlockingQueue<>(),
                Thread.ofPlatform().daemon().priority(Thread.MIN_PRIORITY).name(name + "-", 0).factory());
    }

    /** @param size of the work, in any measure that is the same for all of the queue */
    void take(long size, Runnable work) {
        workers.execute(new QueuedTask(size, number.incrementAndGet(), work));
    }
}
