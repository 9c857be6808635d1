package org.mapsel.core.call;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Secret;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** What may change something is told before it leaves. */
class JournalTest {

  private static final Service SERVICE = Descriptions.service("/descriptions/fenders.yaml");

  private final List<String> happened = new ArrayList<>();

  private void call(String id, RecordValue parameters) {
    Operation operation = SERVICE.getOperation(new OperationId(id));
    new Caller(
            (request, used) -> {
              happened.add("sent");
              return new Exchange(
                  request,
                  Optional.of(new Response(204, Map.of(), new byte[0])),
                  Optional.empty(),
                  Instant.EPOCH,
                  Duration.ZERO);
            },
            () -> new Stamp(Instant.EPOCH, "1", new byte[] {1}))
        .with((question, shown) -> happened.add("told " + shown))
        .call(
            new Question(
                SERVICE,
                operation,
                operation.wires().get(0).endpoint(),
                parameters,
                Access.NONE.as(new Access.Login.Bearer(Secret.of("slack-water"))),
                Set.of()));
  }

  @Test
  void onlyWhatMayChangeSomethingIsToldAndWithoutItsSecrets() {
    call("listFenders", RecordValue.empty());
    assertThat(happened).containsExactly("sent");
    happened.clear();

    RecordValue fender =
        RecordValue.of(
            Map.<String, Value>of("kindOf", new TextValue("airy"), "berth", new TextValue("N1")));
    call("hangFender", RecordValue.of(Map.<String, Value>of("body", fender)));
    assertThat(happened).hasSize(2);
    assertThat(happened.getFirst()).startsWith("told").doesNotContain("slack-water");
    assertThat(happened.getLast()).isEqualTo("sent");
  }
}
