package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/**
 * The words of a command line by the rules of a POSIX shell (Shell Command Language, section 2.2).
 * What was written for the Windows command prompt can be made into such.
 */
final class ShellWords {

  private static final Pattern PROMPT =
      Pattern.compile("\\s*curl(\\.exe)?\\s+((-\\S+\\s+)*\\^\"|[^\\n']*\\s\\^\\r?\\n)");

  private static final int HEX = 16;
  private static final int OCTAL = 8;

  private final String command;
  private final List<String> words = new ArrayList<>();
  private final StringBuilder word = new StringBuilder();
  private boolean open;
  private int at;

  private ShellWords(String command) {
    this.command = command;
  }

  /** Without quotes and escapes; never empty. */
  static List<String> of(String command) {
    ShellWords reading = new ShellWords(command);
    reading.read();
    return reading.words.isEmpty() ? List.of("") : reading.words;
  }

  /**
   * The Windows prompt escapes with a caret what has a meaning of its own, line ends too. A command
   * for it shows that on its first line, and knows no single quotes.
   */
  private static boolean isPrompt(String command) {
    return PROMPT.matcher(command).lookingAt();
  }

  /** A command with all that follows it, as it would be written for a POSIX shell. */
  static String forShell(String text) {
    int end = end(text);
    return isPrompt(text) ? plain(text.substring(0, end)) + text.substring(end) : text;
  }

  private static String plain(String command) {
    return command.replaceAll("\\^\\r?\\n", " ").replaceAll("(?s)\\^(.)", "$1");
  }

  /** Where the command ends: at a line end that is not escaped, outside of quotes. */
  static int end(String text) {
    char escape = isPrompt(text) ? '^' : '\\';
    char quote = 0;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (c == escape && quote != '\'') {
        i += text.startsWith("\r\n", i + 1) ? 2 : 1;
      } else if (quote != 0) {
        quote = c == quote ? 0 : quote;
      } else if (c == '\'' || c == '"') {
        quote = c;
      } else if (c == '\n' && i > 0 && !text.substring(0, i).isBlank()) {
        return i;
      }
    }
    return text.length();
  }

  private void read() {
    while (at < command.length()) {
      char c = command.charAt(at++);
      switch (c) {
        case '\'' -> single();
        case '"' -> quoted();
        case '\\' -> escaped();
        case '$' -> {
          if (at < command.length() && command.charAt(at) == '\'') {
            at++;
            withEscapes();
          } else {
            word.append(c);
          }
        }
        default -> {
          if (Character.isWhitespace(c)) {
            end();
          } else {
            word.append(c);
          }
        }
      }
    }
    end();
  }

  private void end() {
    if (open || !word.isEmpty()) {
      words.add(word.toString());
    }
    word.setLength(0);
    open = false;
  }

  private void single() {
    open = true;
    int end = command.indexOf('\'', at);
    word.append(command, at, end < 0 ? command.length() : end);
    at = end < 0 ? command.length() : end + 1;
  }

  private void quoted() {
    open = true;
    while (at < command.length() && command.charAt(at) != '"') {
      char c = command.charAt(at++);
      if (c == '\\' && at < command.length()) {
        char next = command.charAt(at++);
        if (next != '\n') {
          word.append("\"\\$`".indexOf(next) < 0 ? "\\" + next : "" + next);
        }
      } else {
        word.append(c);
      }
    }
    at++;
  }

  private void escaped() {
    if (at < command.length()) {
      char next = command.charAt(at++);
      if (next == '\r' && at < command.length() && command.charAt(at) == '\n') {
        at++;
      } else if (next != '\n') {
        open = true;
        word.append(next);
      }
    }
  }

  /** A text in dollar quotes, as browsers write those with odd characters (section 2.2.4). */
  private void withEscapes() {
    open = true;
    while (at < command.length() && command.charAt(at) != '\'') {
      char c = command.charAt(at++);
      if (c != '\\' || at == command.length()) {
        word.append(c);
        continue;
      }
      char kind = command.charAt(at++);
      switch (kind) {
        case 'n' -> word.append('\n');
        case 't' -> word.append('\t');
        case 'r' -> word.append('\r');
        case 'a' -> word.append('\u0007');
        case 'b' -> word.append('\b');
        case 'f' -> word.append('\f');
        case 'v' -> word.append('\u000b');
        case 'e' -> word.append('\u001b');
        case 'x' -> number(HEX, 2);
        case 'u' -> number(HEX, 4);
        case 'U' -> number(HEX, 8);
        case '0', '1', '2', '3', '4', '5', '6', '7' -> {
          at--;
          number(OCTAL, 3);
        }
        default -> word.append(kind);
      }
    }
    at++;
  }

  private void number(int base, int most) {
    int end = at;
    while (end < command.length()
        && end < at + most
        && Character.digit(command.charAt(end), base) >= 0) {
      end++;
    }
    if (end > at) {
      int code = Integer.parseUnsignedInt(command.substring(at, end), base);
      word.appendCodePoint(Character.isValidCodePoint(code) ? code : '\ufffd');
    }
    at = end;
  }
}
