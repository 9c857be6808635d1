package org.mapsel.server.outgoing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.HttpEntity;
import org.mapsel.core.message.Response;
import org.mapsel.server.memory.LargeWork;

/**
 * How an answer is taken in.
 *
 * @param limit bytes; an answer that is larger is given up with {@link TooLarge}
 * @param progress is told as it comes
 * @param work where there has to be room for it
 */
record AnswerBody(String address, int limit, Progress progress, LargeWork work) {

  private static final int CHUNK = 1 << 16;

  /** The body is larger than the limit. */
  static final class TooLarge extends IOException {
    private static final long serialVersionUID = 1L;
  }

  /** There is no room for it now. */
  static final class NoRoom extends IOException {
    private static final long serialVersionUID = 1L;
  }

  /** Most bodies that do not say how long they are, are shorter than this. */
  private static final int USUAL = 4 << 20;

  Response read(ClassicHttpResponse response) throws IOException {
    Map<String, List<String>> headers = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
    for (var header : response.getHeaders()) {
      headers.computeIfAbsent(header.getName(), name -> new ArrayList<>(1)).add(header.getValue());
    }
    HttpEntity entity = response.getEntity();
    return new Response(
        response.getCode(), headers, entity == null ? new byte[0] : content(entity));
  }

  /** Closing the content would wait for all of it, so that is left to the connection's owner. */
  private byte[] content(HttpEntity entity) throws IOException {
    InputStream content = entity.getContent();
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    LargeWork.Room room = work.room();
    long expected = Math.min(entity.getContentLength(), limit);
    makeRoom(room, expected);
    byte[] chunk = new byte[CHUNK];
    int read = content == null ? -1 : content.read(chunk);
    while (read >= 0) {
      all.write(chunk, 0, read);
      if (all.size() > limit) {
        throw new TooLarge();
      }
      if (all.size() > Math.max(expected, LargeWork.SMALL)) {
        expected = all.size() > USUAL ? limit : USUAL;
        makeRoom(room, expected);
      }
      progress.fetched(address, all.size(), entity.getContentLength());
      read = content.read(chunk);
    }
    makeRoom(room, all.size());
    return all.toByteArray();
  }

  private static void makeRoom(LargeWork.Room room, long bytes) throws NoRoom {
    if (!room.resize(bytes)) {
      throw new NoRoom();
    }
  }
}
