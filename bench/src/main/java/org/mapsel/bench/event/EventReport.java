package org.mapsel.bench.event;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Presses the button of a demo page again and again, by one user and by many at once, and does the
 * exchange that it leads to with the service alone in turn with it. Prints the times of both.
 */
public final class EventReport {

  private static final int ROUNDS = 4;
  private static final int EACH = 200;
  private static final String PRESSED =
      "{\"event\":{\"kind\":\"pressed\",\"button\":\"send_7\"},\"inputs\":{\"day_3\":\"2031-05-14\"}}";

  private final HttpClient client = HttpClient.newHttpClient();
  private final JsonMapper json = new JsonMapper();
  private final String product;

  private EventReport(String product) {
    this.product = product;
  }

  /**
   * @param arguments the address of a running product with its demo
   */
  public static void main(String[] arguments) throws Exception {
    new EventReport(arguments[0]).run();
  }

  private void run() throws Exception {
    List<HttpRequest> events = new ArrayList<>();
    for (int i = 0; i < 50; i++) {
      events.add(event());
    }
    sent(events.get(0));
    HttpRequest bare = bare();
    for (int users : new int[] {1, 50}) {
      List<Long> ours = new ArrayList<>();
      List<Long> theirs = new ArrayList<>();
      for (int round = 0; round < ROUNDS; round++) {
        List<Long> through = times(events.subList(0, users));
        List<Long> alone = times(Collections.nCopies(users, bare));
        // The first rounds warm up.
        if (round >= ROUNDS / 2) {
          ours.addAll(through);
          theirs.addAll(alone);
        }
      }
      print(users, ours, theirs);
    }
  }

  private static void print(int users, List<Long> ours, List<Long> theirs) {
    System.out.printf(
        "%d users: event %.2f ms, bare %.2f ms, ratio at the median %.2f, at p95 %.2f%n",
        users,
        at(ours, 0.5) / 1e6,
        at(theirs, 0.5) / 1e6,
        at(ours, 0.5) / at(theirs, 0.5),
        at(ours, 0.95) / at(theirs, 0.95));
  }

  private static double at(List<Long> times, double share) {
    long[] sorted = times.stream().mapToLong(Long::longValue).sorted().toArray();
    return sorted[(int) (share * (sorted.length - 1))];
  }

  /** Each request by a user of its own, one after the other for each user. */
  private List<Long> times(List<HttpRequest> requests)
      throws InterruptedException, ExecutionException {
    try (ExecutorService users = Executors.newFixedThreadPool(requests.size())) {
      List<Callable<List<Long>>> work = new ArrayList<>();
      for (HttpRequest request : requests) {
        work.add(
            () -> {
              List<Long> times = new ArrayList<>();
              for (int i = 0; i < EACH / requests.size() + 8; i++) {
                long start = System.nanoTime();
                sent(request);
                times.add(System.nanoTime() - start);
              }
              return times;
            });
      }
      List<Long> all = new ArrayList<>();
      for (Future<List<Long>> future : users.invokeAll(work)) {
        all.addAll(future.get());
      }
      return all;
    }
  }

  private HttpRequest event() throws IOException, InterruptedException {
    HttpRequest opening =
        post(
            "/api/apps/duty-desk/pages/page_1/runs",
            "{\"arguments\":{},\"as\":\"BUILDER\",\"inputs\":{}}");
    String last = sent(opening).lines().toList().getLast();
    String run = json.readTree(last).at("/run/run").asString();
    return post("/api/runs/" + run + "/events", PRESSED);
  }

  private HttpRequest post(String path, String body) {
    return HttpRequest.newBuilder(URI.create(product + path))
        .header("Content-Type", "application/json")
        .header("Origin", product)
        .POST(BodyPublishers.ofString(body))
        .build();
  }

  /** The exchange of the newest event, as it went to the service. */
  private HttpRequest bare() throws IOException, InterruptedException {
    String newest = json.readTree(get("/api/exchanges")).get(0).get("id").asString();
    JsonNode exchange = json.readTree(get("/api/exchanges/" + newest));
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(exchange.get("address").asString()))
            .POST(BodyPublishers.ofString(exchange.at("/requestBody").asString()));
    exchange
        .at("/requestHeaders")
        .forEach(
            header ->
                request.header(header.get("name").asString(), header.get("value").asString()));
    return request.build();
  }

  private String get(String path) throws IOException, InterruptedException {
    return sent(HttpRequest.newBuilder(URI.create(product + path)).build());
  }

  private String sent(HttpRequest request) throws IOException, InterruptedException {
    HttpResponse<String> answer = client.send(request, BodyHandlers.ofString());
    if (answer.statusCode() != 200) {
      throw new IllegalStateException(answer.statusCode() + ": " + answer.body());
    }
    return answer.body();
  }
}
