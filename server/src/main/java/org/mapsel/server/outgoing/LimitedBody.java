package org.mapsel.server.outgoing;

import java.io.IOException;
import java.net.http.HttpResponse.BodySubscriber;
import java.net.http.HttpResponse.BodySubscribers;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.Flow;

/** Takes a body into memory and stops at a limit. */
final class LimitedBody implements BodySubscriber<byte[]> {

  /** The body is larger than the limit. */
  static final class TooLarge extends IOException {
    private static final long serialVersionUID = 1L;
  }

  private final BodySubscriber<byte[]> bytes = BodySubscribers.ofByteArray();
  private final long limit;
  private long received;
  private Flow.Subscription subscription;

  LimitedBody(long limit) {
    this.limit = limit;
  }

  @Override
  public void onSubscribe(Flow.Subscription given) {
    subscription = given;
    bytes.onSubscribe(given);
  }

  @Override
  public void onNext(List<ByteBuffer> buffers) {
    received += buffers.stream().mapToLong(ByteBuffer::remaining).sum();
    if (received > limit) {
      subscription.cancel();
      bytes.onError(new TooLarge());
    } else {
      bytes.onNext(buffers);
    }
  }

  @Override
  public void onError(Throwable failure) {
    bytes.onError(failure);
  }

  @Override
  public void onComplete() {
    bytes.onComplete();
  }

  @Override
  public CompletionStage<byte[]> getBody() {
    return bytes.getBody();
  }
}
