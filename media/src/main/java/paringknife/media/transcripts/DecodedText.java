package paringknife.media.transcripts;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Text of a file in whatever encoding it came: UTF-8, UTF-16 with its mark, otherwise Latin-1. */
final class DecodedText {
  private DecodedText() {}

  /**
   * @param mended is told what was not UTF-8
   */
  public static String of(byte[] bytes, List<String> mended) {
    if (bytes.length >= 2 && (bytes[0] & 0xff) == 0xff && (bytes[1] & 0xff) == 0xfe
        || bytes.length >= 2 && (bytes[0] & 0xff) == 0xfe && (bytes[1] & 0xff) == 0xff) {
      mended.add("the file was UTF-16");
      return new String(bytes, StandardCharsets.UTF_16);
    }
    try {
      return StandardCharsets.UTF_8
          .newDecoder()
          .onMalformedInput(CodingErrorAction.REPORT)
          .decode(ByteBuffer.wrap(bytes))
          .toString();
    } catch (CharacterCodingException e) {
      mended.add("the file was not UTF-8 and was read as Latin-1");
      return new String(bytes, StandardCharsets.ISO_8859_1);
    }
  }
}
