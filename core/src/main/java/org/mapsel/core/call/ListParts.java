package org.mapsel.core.call;

import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerPart;
import org.mapsel.core.message.Codec;
import org.mapsel.core.message.EchoedSecrets;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.RecordValue;

/** A list that comes in parts, asked for until there are as many rows as anybody looks at. */
final class ListParts {

  /** More parts than this nobody looks at in one go. */
  private static final int MAX_PARTS = 20;

  private final Exchanger exchanger;
  private final Access access;
  private final EchoedSecrets secrets;
  private final Set<FieldPath> wanted;
  private final List<Finding> findings;

  ListParts(
      Exchanger exchanger,
      Access access,
      EchoedSecrets secrets,
      Set<FieldPath> wanted,
      List<Finding> findings) {
    this.exchanger = exchanger;
    this.access = access;
    this.secrets = secrets;
    this.wanted = wanted;
    this.findings = findings;
  }

  /** The first part with all that follow; what could not be had is in the findings. */
  RecordValue all(Codec codec, AnswerPart first) {
    AnswerPart part = first;
    Optional<String> next = codec.next(part);
    while (next.isPresent()) {
      Optional<Request> request = request(first.request(), part.request(), next.get(), access);
      if (part.number() == MAX_PARTS || request.isEmpty()) {
        findings.add(Finding.note("CALL_MORE_ROWS", "address", shown(next.get())));
        break;
      }
      Optional<AnswerPart> following = read(codec, part, request.get());
      if (following.isEmpty()) {
        break;
      }
      part = following.get();
      next = codec.next(part);
    }
    return part.whole();
  }

  private Optional<AnswerPart> read(Codec codec, AnswerPart before, Request request) {
    Optional<Response> response = exchanger.send(request, access).response().map(secrets::hiddenIn);
    Optional<Outcome<Answer>> read =
        response.map(
            one -> codec.read(before.service(), before.operation(), before.wire(), one, wanted));
    if (read.isEmpty() || !(read.get().value().orElse(null) instanceof Answer.Returned returned)) {
      findings.add(Finding.warning("CALL_PART_MISSING", "address", shown(request.address())));
      read.ifPresent(outcome -> findings.addAll(outcome.findings()));
      return Optional.empty();
    }
    if (returned.value().equals(before.value())) {
      // A service that does not know the parameter gives the same rows for ever.
      return Optional.empty();
    }
    AnswerPart part = before.then(request, response.orElseThrow(), returned.value());
    return Optional.of(part.withWhole(codec.joined(before.whole(), part)));
  }

  private String shown(String address) {
    return AccessHeaders.shown(address, access);
  }

  /**
   * The request for the next part, at an address that the last one gave. Nothing if that leads to
   * another server, which must not see what this one is told.
   */
  private static Optional<Request> request(
      Request first, Request last, String next, Access access) {
    try {
      URI start = URI.create(last.address());
      String reference = next.replace(" ", "%20");
      // RFC 3986, section 5.2.2: a query alone keeps the path, which the library does not do.
      URI there =
          reference.startsWith("?")
              ? URI.create(last.address().replaceFirst("[?#].*", "") + reference)
              : start.resolve(reference);
      boolean same =
          String.valueOf(start.getAuthority()).equals(String.valueOf(there.getAuthority()))
              && String.valueOf(start.getScheme()).equals(there.getScheme());
      return same
          ? Optional.of(
              new Request(
                  first.method(), withKey(there.toString(), access), first.headers(), new byte[0]))
          : Optional.empty();
    } catch (IllegalArgumentException e) {
      // What is no address leads nowhere.
      return Optional.empty();
    }
  }

  /** Some services repeat the key that stood in the address, others leave it out. */
  private static String withKey(String next, Access access) {
    String address =
        access.login() instanceof Access.Login.ApiKey key
            ? next.replace(
                EchoedSecrets.MASK, URLEncoder.encode(key.key().reveal(), StandardCharsets.UTF_8))
            : next;
    return AccessHeaders.shown(address, access).equals(address)
        ? AccessHeaders.address(address, access)
        : address;
  }
}
