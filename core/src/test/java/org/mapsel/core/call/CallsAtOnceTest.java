package org.mapsel.core.call;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
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

  private static List<CallResult> three(Exchanger exchanger) {
    Operation operation = SERVICE.getOperation(new OperationId("listFenders"));
    Question question =
        new Question(
            SERVICE,
            operation,
            operation.wires().getFirst().endpoint(),
            RecordValue.empty(),
            Access.NONE,
            Set.of());
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
