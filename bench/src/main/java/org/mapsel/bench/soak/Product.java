package org.mapsel.bench.soak;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The running server that is tried out: what it answers, and its process. */
final class Product {

  private static final Pattern USED = Pattern.compile("(\\d+)K used|used (\\d+)K");

  private final HttpClient client =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build();
  private final String address;
  private final Path pidFile;
  private final String jcmd;

  Product(String address, Path pidFile, String jcmd) {
    this.address = address;
    this.pidFile = pidFile;
    this.jcmd = jcmd;
  }

  URI address() {
    return URI.create(address);
  }

  HttpResponse<String> get(String path) throws IOException, InterruptedException {
    return client.send(request(path).build(), BodyHandlers.ofString());
  }

  HttpResponse<String> post(String path, String type, String body)
      throws IOException, InterruptedException {
    return client.send(
        request(path)
            .header("Content-Type", type)
            .header("Origin", address)
            .POST(BodyPublishers.ofString(body))
            .build(),
        BodyHandlers.ofString());
  }

  private HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create(address + path)).timeout(Duration.ofMinutes(2));
  }

  boolean isReady() throws InterruptedException {
    try {
      return get("/api/ready").statusCode() == 200;
    } catch (IOException e) {
      return false;
    }
  }

  private long pid() throws IOException {
    return Long.parseLong(Files.readString(pidFile).strip().split("\\s+")[0]);
  }

  /** Ends the process as if the power had gone. */
  void kill() throws IOException {
    ProcessHandle.of(pid()).ifPresent(ProcessHandle::destroyForcibly);
  }

  /** Memory, threads and connections of the process, in words. */
  String process() throws IOException, InterruptedException {
    Path proc = Path.of("/proc", String.valueOf(pid()));
    List<String> status = Files.readAllLines(proc.resolve("status"));
    String port = String.format(":%04X ", address().getPort());
    long connections = 0;
    for (String table : List.of("tcp", "tcp6")) {
      connections +=
          Files.readAllLines(proc.resolve("net").resolve(table)).stream()
              .filter(line -> line.strip().split("\\s+").length > 3)
              .filter(line -> (line.strip().split("\\s+")[1] + " ").endsWith(port))
              .filter(line -> line.strip().split("\\s+")[3].equals("01"))
              .count();
    }
    return "heap used "
        + heapMegabytes()
        + " MB, resident "
        + number(status, "VmRSS") / 1024
        + " MB, "
        + number(status, "Threads")
        + " threads, "
        + connections
        + " connections";
  }

  private static long number(List<String> status, String name) {
    return status.stream()
        .filter(line -> line.startsWith(name + ":"))
        .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")))
        .sum();
  }

  private long heapMegabytes() throws IOException, InterruptedException {
    Process asked =
        new ProcessBuilder(jcmd, String.valueOf(pid()), "GC.heap_info")
            .redirectErrorStream(true)
            .start();
    String said = new String(asked.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    asked.waitFor();
    long kilobytes = 0;
    for (String line : said.lines().toList()) {
      Matcher used = USED.matcher(line);
      if (line.matches("\\s*(PSYoungGen|ParOldGen).*") && used.find()) {
        kilobytes += Long.parseLong(used.group(1) == null ? used.group(2) : used.group(1));
      }
    }
    return kilobytes / 1024;
  }
}
