package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;

/** Several people do the same at the same time. */
class AtOnceTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final int PEOPLE = 16;

  private static <T> List<T> atOnce(int people, IntFunction<T> act) throws Exception {
    List<Future<T>> acts = new ArrayList<>();
    try (ExecutorService all = Executors.newVirtualThreadPerTaskExecutor()) {
      for (int i = 0; i < people; i++) {
        int who = i;
        acts.add(all.submit(() -> act.apply(who)));
      }
    }
    List<T> results = new ArrayList<>();
    for (Future<T> one : acts) {
      results.add(one.get());
    }
    return results;
  }

  @Test
  void ofEditsOfOneVersionOneIsMadeAndTheOthersAreToldSo() throws Exception {
    Api api = SERVER.api();
    String app = "/api/apps/" + api.post("/api/apps", "{'name':'Desk'}").text("/id");
    for (int version = 1; version <= 5; version++) {
      int at = version;
      List<Integer> statuses =
          atOnce(
              PEOPLE,
              who ->
                  api.post(
                          app + "/edits",
                          "{'version':"
                              + at
                              + ",'edit':{'kind':'addEmptyPage','name':'Page "
                              + who
                              + "'}}")
                      .status());
      assertThat(statuses).containsOnlyOnce(200);
      assertThat(statuses.stream().filter(status -> status == 409)).hasSize(PEOPLE - 1);
    }
    assertThat(api.get(app).body().at("/pages")).hasSize(5);
  }

  @Test
  void appsOfOneNameAllComeIntoBeing() throws Exception {
    Api api = SERVER.api();
    List<Api.Answer> made = atOnce(PEOPLE, who -> api.post("/api/apps", "{'name':'Twin desk'}"));

    assertThat(made).allMatch(answer -> answer.status() == 200);
    assertThat(made.stream().map(answer -> answer.text("/id")).distinct()).hasSize(PEOPLE);
  }

  @Test
  void operationsOfAServiceTakenByDifferentPeopleAreAllTaken() throws Exception {
    Api api = SERVER.api();
    try (FakeBerthing berthing = new FakeBerthing()) {
      Api.Answer read =
          api.post("/api/intakes", "{'source':'" + berthing.description() + "','access':null}");
      List<String> operations =
          read.body().at("/operations").valueStream().map(one -> one.at("/id").asString()).toList();
      List<Api.Answer> taken =
          atOnce(
              operations.size() * 3,
              who ->
                  api.post(
                      "/api/services",
                      "{'edition':'"
                          + read.text("/edition")
                          + "','operations':['"
                          + operations.get(who % operations.size())
                          + "'],'endpoint':'BerthingSoap11'}"));

      assertThat(taken).allMatch(answer -> answer.status() == 200);
      assertThat(taken.stream().map(answer -> answer.text("/id")).distinct()).hasSize(1);
      assertThat(api.get("/api/services/" + taken.getFirst().text("/id")).body().at("/operations"))
          .hasSameSizeAs(operations);
    }
  }
}
