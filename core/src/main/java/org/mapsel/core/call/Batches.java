package org.mapsel.core.call;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Batch;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;

/** Sends together what a service takes together. */
final class Batches {

  /** The answers of a service that knows of no batches: there is no use in asking again. */
  private static final Set<Integer> UNKNOWN = Set.of(404, 405, 415, 501);

  private final Exchanger exchanger;
  private final BatchRefusals refusing;

  Batches(Exchanger exchanger, BatchRefusals refusing) {
    this.exchanger = exchanger;
    this.refusing = refusing;
  }

  /** What goes in the same message: the same way, with the same access. */
  private record Group(Batch batch, Access access) {}

  /** The calls by what may go together; most go alone. */
  List<List<OneCall>> groups(List<OneCall> calls) {
    Map<Group, List<OneCall>> together = new LinkedHashMap<>();
    List<List<OneCall>> groups = new ArrayList<>();
    for (OneCall call : calls) {
      call.batch()
          .filter(batch -> !refusing.contains(batch.address()))
          .ifPresentOrElse(
              batch ->
                  together
                      .computeIfAbsent(new Group(batch, call.access()), group -> new ArrayList<>())
                      .add(call),
              () -> groups.add(List.of(call)));
    }
    groups.addAll(together.values());
    return groups;
  }

  /**
   * Sends a group in one message.
   *
   * @return what became of the calls; nothing if the service did not take them together, or could
   *     not be reached
   */
  Map<OneCall, CallResult> send(List<OneCall> calls) {
    Map<OneCall, CallResult> results = new IdentityHashMap<>();
    Batch batch = calls.getFirst().batch().orElseThrow();
    Optional<Access> granted = calls.get(0).granted().value();
    if (granted.isEmpty()) {
      return results;
    }
    List<Request> parts = calls.stream().map(OneCall::insideBatch).toList();
    Exchange sent = CsrfToken.send(exchanger, batch.write(parts, granted.get()), granted.get());
    Optional<Response> response = sent.response();
    if (response.isEmpty()) {
      // Each call by itself says what is in the way.
      return results;
    }
    if (UNKNOWN.contains(response.get().status())) {
      refusing.add(batch.address());
    }
    Batch.Reply reply = batch.read(response.get(), calls.size());
    if (reply.isRefused()) {
      Finding refused =
          Finding.note("CALL_BATCH_REFUSED", "address", batch.address(), "reason", reply.refusal());
      calls.forEach(call -> call.note(refused));
      return results;
    }
    String count = String.valueOf(calls.size());
    Finding together = Finding.note("CALL_TOGETHER", "count", count, "address", batch.address());
    for (int i = 0; i < calls.size(); i++) {
      OneCall call = calls.get(i);
      Exchange part =
          new Exchange(
              call.sentWith(granted.get()),
              Optional.of(reply.answers().get(i)),
              Optional.empty(),
              sent.started(),
              sent.took());
      call.note(together);
      results.put(call, call.read(part, granted.get()));
    }
    return results;
  }
}
