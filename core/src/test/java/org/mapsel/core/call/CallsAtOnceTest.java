package org.mapsel.core.call;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.RecordValue;

/** Calls that need not wait for each other do not. */
class CallsAtOnceTest {

  private static final Service SERVICE = Descriptions.service("/descriptions/fenders.yaml");
  private static final Service YARD = Descriptions.service("/descriptions/yard.xml");

  private static Question question(Service service, String id) {
    Operation operation = service.getOperation(new OperationId(id));
    return new Question(
        service,
        operation,
        operation.wires().getFirst().endpoint(),
        RecordValue.empty(),
        Access.NONE,
        Set.of());
  }

  private static List<CallResult> three(Exchanger exchanger) {
    Question question = question(SERVICE, "listFenders");
    return new Caller(exchanger, () -> new Stamp(Instant.EPOCH, "1", new byte[] {1}))
        .callAll(List.of(question, question, question));
  }

  @Test
  void allAreOutBeforeAnyIsBack() {
    CyclicBarrier out = new CyclicBarrier(3);
    List<CallResult> results =
        three(
            (request, used) -> {
              try {
                int status = 500 + out.await(10, TimeUnit.SECONDS);
                return new Exchange(
                    request,
                    Optional.of(new Response(status, Map.of(), new byte[0])),
                    Optional.empty(),
                    Instant.EPOCH,
                    Duration.ZERO);
              } catch (Exception e) {
                throw new IllegalStateException("The others are not on their way.", e);
              }
            });

    assertThat(results)
        .extracting(result -> result.exchange().orElseThrow().response().orElseThrow().status())
        .containsExactlyInAnyOrder(500, 501, 502);
  }

  /** A service that knows of no batches: asked again and again, as pages do. */
  @Test
  void aServiceThatRefusesBatchesIsNotOfferedOneEachTime() {
    List<String> sent = new ArrayList<>();
    Exchanger refusing =
        (request, used) -> {
          synchronized (sent) {
            sent.add(request.method());
          }
          int status = request.method().equals("POST") ? 404 : 200;
          byte[] body = "{\"value\":[]}".getBytes(StandardCharsets.UTF_8);
          return new Exchange(
              request,
              Optional.of(new Response(status, Map.of(), body)),
              Optional.empty(),
              Instant.EPOCH,
              Duration.ZERO);
        };
    Instant[] now = {Instant.EPOCH};
    Caller caller = new Caller(refusing, () -> new Stamp(now[0], "1", new byte[] {1}));
    List<Question> two = List.of(question(YARD, "Cranes.list"), question(YARD, "Cranes.list"));

    caller.through(refusing).callAll(two);
    caller.through(refusing).callAll(two);
    assertThat(sent).containsExactly("POST", "GET", "GET", "GET", "GET");

    now[0] = now[0].plus(Duration.ofHours(1));
    caller.callAll(two);
    assertThat(sent).as("it may have learnt").endsWith("POST", "GET", "GET");
  }

  @Test
  void whatFailsInOneFailsAsItWouldByItself() {
    assertThatThrownBy(
            () ->
                three(
                    (request, used) -> {
                      throw new UnsupportedOperationException("No way out.");
                    }))
        .isInstanceOf(UnsupportedOperationException.class);
  }
}
