package org.mapsel.server.services;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.OffsetDateTime;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.apache.commons.codec.digest.DigestUtils;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.service.Service;
import org.mapsel.server.memory.LargeWork;
import org.mapsel.server.samples.KnownEditions;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/**
 * Editions of services: kept as the documents they were read from, read again when needed, and
 * remembered a while in memory.
 */
@Component
public class Editions implements KnownEditions {

  /** How many bytes of documents are remembered as read, which takes some times as many. */
  private static final long REMEMBERED = Runtime.getRuntime().maxMemory() / 10;

  /** The largest weigh no more than this, or none of them would be remembered. */
  private static final long HEAVIEST = Math.min(REMEMBERED / 2, Integer.MAX_VALUE);

  /** One reading of a description. */
  public record Edition(String id, String source, Description description, List<Finding> findings) {
    public Service service() {
      return description.service();
    }
  }

  private final EditionStore store;
  private final LargeWork work;
  private final Cache<String, Edition> remembered =
      Caffeine.newBuilder()
          .maximumWeight(REMEMBERED)
          .weigher((String id, Edition edition) -> weight(edition))
          .build();

  /** What was read is told apart by being the very same. */
  private final Cache<Service, String> ids = Caffeine.newBuilder().weakKeys().build();

  Editions(EditionStore store, LargeWork work) {
    this.work = work;
    this.store = store;
  }

  /** Keeps a description that was read from a source; one without operations is refused. */
  public Edition keep(String source, Outcome<Description> read) {
    Description description =
        read.value()
            .filter(each -> !each.service().operations().isEmpty())
            .orElseThrow(() -> Problem.refused(read.findings()));
    String id = hash(description.documents());
    store.add(id, description.documents());
    Edition edition = new Edition(id, source, description, read.findings());
    remembered.put(id, edition);
    ids.put(edition.service(), id);
    return edition;
  }

  @Override
  public Optional<String> idOf(Service service) {
    return Optional.ofNullable(ids.getIfPresent(service));
  }

  @Override
  public Optional<Service> service(String edition) {
    return find(edition).map(Edition::service);
  }

  public Optional<Edition> find(String id) {
    return Optional.ofNullable(remembered.get(id, this::load));
  }

  public Edition get(String id) {
    return find(id).orElseThrow(() -> Problem.missing("SERVER_EDITION_MISSING"));
  }

  /** Small ones cost something too, so that not any number of them is remembered. */
  private static int weight(Edition edition) {
    long bytes = 16_384;
    for (SourceText document : edition.description().documents()) {
      bytes += document.bytes().length;
    }
    return (int) Math.min(bytes, HEAVIEST);
  }

  /**
   * Takes editions away that were read before a time, and that no service, sample or state of an
   * app has.
   *
   * @return how many went
   */
  public int removeUnused(OffsetDateTime before) {
    List<String> gone = store.removeUnused(before);
    remembered.invalidateAll(gone);
    return gone.size();
  }

  private @Nullable Edition load(String id) {
    return work.reading(store.size(id), () -> read(id));
  }

  private @Nullable Edition read(String id) {
    List<SourceText> documents = store.documents(id);
    if (documents.isEmpty()) {
      return null;
    }
    Outcome<Description> outcome = Intake.read(documents);
    return outcome
        .value()
        .map(
            description -> {
              ids.put(description.service(), id);
              return new Edition(id, documents.get(0).address(), description, outcome.findings());
            })
        .orElse(null);
  }

  private static String hash(List<SourceText> documents) {
    MessageDigest digest = DigestUtils.getSha256Digest();
    for (SourceText document : documents) {
      digest.update(document.address().getBytes(StandardCharsets.UTF_8));
      digest.update((byte) 0);
      digest.update(document.bytes());
      digest.update((byte) 0);
    }
    return HexFormat.of().formatHex(digest.digest());
  }
}
