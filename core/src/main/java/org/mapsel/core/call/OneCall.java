package org.mapsel.core.call;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerPart;
import org.mapsel.core.message.Batch;
import org.mapsel.core.message.Codec;
import org.mapsel.core.message.EchoedSecrets;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.service.Effect;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.value.RecordValue;

/** A question on its way: written, sent, and its answer read. */
final class OneCall {

  private static final int UNAUTHORIZED = 401;

  private final Question question;
  private final Stamp stamp;
  private final Exchanger exchanger;
  private final AccessTokens tokens;
  private final Journal journal;
  private final Optional<OperationWire> wire;
  private final RecordValue parameters;

  /** The request with every secret hidden. */
  private final Outcome<Request> shown;

  private final List<Finding> notes = new ArrayList<>();

  OneCall(
      Question question, Stamp stamp, Exchanger exchanger, AccessTokens tokens, Journal journal) {
    this.journal = journal;
    this.question = question;
    this.stamp = stamp;
    this.exchanger = exchanger;
    this.tokens = tokens;
    this.wire = question.operation().wire(question.endpoint());
    this.parameters =
        wire.map(
                known ->
                    Caller.codec(known)
                        .narrowed(
                            question.service(),
                            question.operation(),
                            question.parameters(),
                            question.wanted()))
            .orElse(question.parameters());
    this.shown = request(question.access().hidden());
  }

  private Outcome<Request> request(Access access) {
    return Caller.request(
        question.service(), question.operation(), question.endpoint(), parameters, access, stamp);
  }

  /** Why nothing is sent. */
  Optional<CallResult> cannotBeSent() {
    if (shown.value().isEmpty()) {
      return Optional.of(CallResult.notSent(shown.findings()));
    }
    return shown.get().address().isEmpty()
        ? Optional.of(
            CallResult.notSent(
                List.of(
                    Finding.error(
                        "MESSAGE_ADDRESS_MISSING", "endpoint", question.endpoint().text()))))
        : Optional.empty();
  }

  Access access() {
    return question.access();
  }

  Outcome<Access> granted() {
    return tokens.granted(question.access());
  }

  /** Remembers what is to be said of the way in which it went. */
  void note(Finding note) {
    notes.add(note);
  }

  /** How it goes together with others; nothing if it goes by itself. */
  Optional<Batch> batch() {
    return cannotBeSent().isPresent()
        ? Optional.empty()
        : wire.flatMap(known -> Caller.codec(known).batch(question.service(), known));
  }

  /** The request as it stands inside a batch, which brings the access itself. */
  Request insideBatch() {
    return request(Access.NONE).get();
  }

  CallResult run() {
    Outcome<Access> granted = granted();
    if (granted.value().isEmpty()) {
      return CallResult.notSent(granted.findings());
    }
    Access used = granted.get();
    if (changes()) {
      journal.sending(question, shown.get());
    }
    Exchange sent = CsrfToken.send(exchanger, request(used).get(), used);
    if (used != question.access() && isRefused(sent)) {
      used = tokens.renewed(question.access()).value().orElse(used);
      sent = CsrfToken.send(exchanger, request(used).get(), used);
    }
    return read(sent, used);
  }

  private boolean changes() {
    return question.operation().effect() == Effect.WRITES;
  }

  /**
   * What an exchange says, with all the parts that follow.
   *
   * @param used the access that further parts are asked for with
   */
  CallResult read(Exchange sent, Access used) {
    EchoedSecrets secrets = EchoedSecrets.of(used);
    Exchange came = sent.answered(secrets::hiddenIn);
    Exchange safe = question.access().hasSecrets() ? came.with(shown.get()) : came;
    Exchange exchange = changes() ? PerhapsDone.told(safe) : safe;
    List<Finding> findings = new ArrayList<>(shown.findings());
    findings.addAll(notes);
    exchange.failure().ifPresent(findings::add);
    Optional<Answer> answer =
        exchange
            .response()
            .flatMap(
                response -> {
                  Outcome<Answer> read =
                      Caller.answer(
                          question.service(),
                          question.operation(),
                          wire.orElseThrow(),
                          response,
                          question.wanted());
                  findings.addAll(read.findings());
                  return read.value();
                });
    if (answer.orElse(null) instanceof Answer.Returned first) {
      AnswerPart part =
          new AnswerPart(
              question.service(),
              question.operation(),
              wire.orElseThrow(),
              1,
              sent.request(),
              exchange.response().orElseThrow(),
              first.value(),
              first.value());
      Codec codec = Caller.codec(part.wire());
      RecordValue whole =
          new ListParts(exchanger, used, secrets, question.wanted(), findings).all(codec, part);
      answer = Optional.of(new Answer.Returned(whole));
    }
    return new CallResult(Optional.of(exchange), answer, findings);
  }

  /** The request that was really sent, for exchanges that stand for a part of a batch. */
  Request sentWith(Access used) {
    return request(used).get();
  }

  private static boolean isRefused(Exchange sent) {
    return sent.response().filter(response -> response.status() == UNAUTHORIZED).isPresent();
  }
}
