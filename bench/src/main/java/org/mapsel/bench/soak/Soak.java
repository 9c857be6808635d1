package org.mapsel.bench.soak;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import tools.jackson.databind.json.JsonMapper;

/**
 * Readers first alone, then together with visitors, builders, hostile inputs and kills of the
 * process: {@code Soak ADDRESS PID-FILE JCMD MINUTES}. Prints how long readers wait in both, what
 * the process takes, and how many acknowledged edits are lost.
 */
public final class Soak {

  private static final String JSON = "application/json";
  private static final List<String> READ =
      List.of("/api/services", "/api/apps", "/api/apps/duty-desk", "/api/exchanges", "/api/health");
  private static final String OPENING = "{\"arguments\":{},\"as\":\"BUILDER\",\"inputs\":{}}";
  private static final String PRESSED =
      "{\"event\":{\"kind\":\"pressed\",\"button\":\"send_7\"},\"inputs\":{\"day_3\":\"2031-05-14\"}}";

  /** The command that started it starts it again; in shorter turns it would give up. */
  private static final Duration BETWEEN_KILLS = Duration.ofSeconds(90);

  /** How many milliseconds people look at what came before they do something again. */
  private static final long THINKING = 1_000;

  /** So long after a start the process is still slow. */
  private static final long COLD_NANOS = Duration.ofSeconds(30).toNanos();

  private final Product product;
  private final JsonMapper json = new JsonMapper();
  private final List<Thread> threads = new ArrayList<>();
  private final AtomicLong startedAt = new AtomicLong(System.nanoTime());
  private final AtomicInteger down = new AtomicInteger();
  private final AtomicInteger events = new AtomicInteger();
  private final AtomicInteger wrong = new AtomicInteger();
  private final AtomicInteger hostile = new AtomicInteger();
  private final List<Builder> builders = new ArrayList<>();
  private volatile Times quick = new Times();
  private volatile Times warm = new Times();

  private Soak(Product product) {
    this.product = product;
  }

  /** What is done again and again. */
  private interface Act {
    void run() throws IOException, InterruptedException;
  }

  /** Somebody who renames an app, and remembers what was acknowledged. */
  private final class Builder {
    private final String app;
    private int acknowledged;
    private int lost;

    Builder(int number) throws IOException, InterruptedException {
      HttpResponse<String> made =
          product.post("/api/apps", JSON, "{\"name\":\"Builder " + number + " 0\"}");
      app = "/api/apps/" + json.readTree(made.body()).get("id").asString();
    }

    void edit() throws IOException, InterruptedException {
      var now = json.readTree(product.get(app).body());
      String name = now.get("name").asString();
      int number = Integer.parseInt(name.substring(name.lastIndexOf(' ') + 1));
      if (number < acknowledged) {
        lost += acknowledged - number;
        acknowledged = number;
      }
      String next = name.substring(0, name.lastIndexOf(' ') + 1) + (number + 1);
      HttpResponse<String> edited =
          product.post(
              app + "/edits",
              JSON,
              "{\"version\":%s,\"edit\":{\"kind\":\"renameApp\",\"name\":\"%s\"}}"
                  .formatted(now.get("version"), next));
      if (edited.statusCode() == 200) {
        acknowledged = number + 1;
      } else {
        wrong.incrementAndGet();
      }
    }
  }

  /**
   * @param arguments the address of a running product with its demo, the file with the id of its
   *     process, the command that asks it for its heap, and how many minutes
   */
  public static void main(String[] arguments) throws Exception {
    Product product = new Product(arguments[0], Path.of(arguments[1]), arguments[2]);
    new Soak(product).run(Duration.ofMinutes(Integer.parseInt(arguments[3])));
    // Threads that wait for an answer of a dead process end with this one.
    System.exit(0);
  }

  private void run(Duration time) throws Exception {
    for (int i = 0; i < 4; i++) {
      int first = i;
      AtomicInteger turn = new AtomicInteger(first);
      repeat(50, () -> read(READ.get(turn.incrementAndGet() % READ.size())));
    }
    // The first seconds warm up.
    Thread.sleep(COLD_NANOS / 1_000_000);
    quick = new Times();
    warm = new Times();
    Thread.sleep(time.dividedBy(5).toMillis());
    Times alone = warm;
    System.out.println("Readers alone:  " + alone);

    quick = new Times();
    warm = new Times();
    for (int i = 0; i < 10; i++) {
      Visitor visitor = new Visitor();
      repeat(THINKING, visitor::press);
    }
    for (int i = 0; i < 4; i++) {
      Builder builder = new Builder(i + 1);
      builders.add(builder);
      repeat(THINKING, builder::edit);
    }
    Hostile bad = new Hostile(product);
    repeat(
        500,
        () -> {
          hostile.incrementAndGet();
          if (bad.act()) {
            wrong.incrementAndGet();
          }
        });
    long rest = time.toMillis() * 4 / 5;
    long end = System.currentTimeMillis() + rest;
    int kills = 0;
    while (System.currentTimeMillis() < end) {
      Thread.sleep(Math.min(BETWEEN_KILLS.toMillis(), rest));
      System.out.println("  " + product.process());
      if (System.currentTimeMillis() < end) {
        restart();
        kills++;
      }
    }
    threads.forEach(Thread::interrupt);
    report(alone, rest / 1000.0, kills);
  }

  /** A visitor of a page of the demo, who opens it again when the run is gone. */
  private final class Visitor {
    private String run = "";

    void press() throws IOException, InterruptedException {
      if (run.isEmpty()) {
        String last = product.post("/api/apps/duty-desk/pages/page_1/runs", JSON, OPENING).body();
        run = json.readTree(last.lines().toList().getLast()).at("/run/run").asString("");
        return;
      }
      int status = product.post("/api/runs/" + run + "/events", JSON, PRESSED).statusCode();
      if (status == 200) {
        events.incrementAndGet();
      } else {
        wrong.addAndGet(status >= 500 && status != 503 ? 1 : 0);
        run = "";
      }
    }
  }

  private void read(String path) throws IOException, InterruptedException {
    long start = System.nanoTime();
    HttpResponse<String> answer = product.get(path);
    long took = System.nanoTime() - start;
    if (answer.statusCode() != 200) {
      wrong.incrementAndGet();
      return;
    }
    quick.add(took);
    if (start - startedAt.get() > COLD_NANOS) {
      warm.add(took);
    }
  }

  private void repeat(long pause, Act act) {
    threads.add(
        Thread.startVirtualThread(
            () -> {
              while (!Thread.currentThread().isInterrupted()) {
                try {
                  Thread.sleep(pause);
                  act.run();
                } catch (IOException e) {
                  // Nobody answers while the process is dead.
                  down.incrementAndGet();
                } catch (InterruptedException e) {
                  return;
                }
              }
            }));
  }

  private void restart() throws IOException, InterruptedException {
    long start = System.nanoTime();
    product.kill();
    do {
      Thread.sleep(200);
    } while (!product.isReady());
    startedAt.set(System.nanoTime());
    System.out.printf("  killed; ready again after %.1f s%n", (System.nanoTime() - start) / 1e9);
  }

  private void report(Times alone, double seconds, int kills)
      throws IOException, InterruptedException {
    System.out.println("Readers with the rest:  " + quick);
    System.out.println("  of those half a minute after a start:  " + warm);
    System.out.printf("  p95 beside that alone: %.2f%n", warm.at(0.95) / alone.at(0.95));
    int edits = 0;
    int lost = 0;
    for (Builder builder : builders) {
      builder.edit();
      edits += builder.acknowledged;
      lost += builder.lost;
    }
    System.out.printf(
        "%.1f events/s, %.1f edits/s, %d hostile inputs, %d kills, %d requests while it was down%n",
        events.get() / seconds, edits / seconds, hostile.get(), kills, down.get());
    System.out.printf("Lost edits: %d of %d. Wrong answers: %d.%n", lost, edits, wrong.get());
  }
}
