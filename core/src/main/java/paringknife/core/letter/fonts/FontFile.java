package paringknife.core.letter.fonts;

import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * A font read for its letters, their widths and its licence bits: TrueType or OpenType (ISO/IEC
 * 14496-22), plain or as WOFF (W3C, WOFF File Format 1.0). Nothing of it is run.
 */
public final class FontFile {
  /** Largest font, unpacked, bytes. */
  public static final int LARGEST = 32 << 20;

  private static final int WOFF = 0x774F4646;
  private static final int TRUETYPE = 0x00010000;
  private static final int OPENTYPE = 0x4F54544F;
  private static final int MOST_TABLES = 64;

  /** Ascent and descent together are not more than so many times smaller or larger than the em. */
  private static final int LEAST_EM = 8;

  /** May not be embedded, says the OS/2 table's fsType. */
  private static final int RESTRICTED = 0x0002;

  /** Bits of the OS/2 table's fsSelection. */
  private static final int ITALIC = 1;

  private static final int BOLD = 1 << 5;

  private final ByteBuffer file;
  private final String family;
  private final double unitsPerEm;
  private final double ascent;
  private final double descent;
  private final boolean isRestricted;
  private final boolean isBold;
  private final boolean isItalic;
  private final GlyphMap glyphs;
  private final int[] advances;

  private FontFile(ByteBuffer file) {
    this.file = file;
    this.family = FamilyName.of(table("name"));
    this.unitsPerEm = table("head").getShort(18) & 0xFFFF;
    if (unitsPerEm < 16) {
      throw new UnusableFont();
    }
    ByteBuffer os2 = table("OS/2");
    ByteBuffer hhea = table("hhea");
    this.isRestricted = (os2.getShort(8) & 0xF) == RESTRICTED;
    int selection = os2.getShort(62);
    this.isBold = (selection & BOLD) != 0;
    this.isItalic = (selection & ITALIC) != 0;
    int up = os2.getShort(74) & 0xFFFF;
    int down = os2.getShort(76) & 0xFFFF;
    boolean hasBoth = up + down > 0;
    this.ascent = hasBoth ? up : hhea.getShort(4);
    this.descent = hasBoth ? down : -hhea.getShort(6);
    if (!(ascent + descent > unitsPerEm / LEAST_EM && ascent + descent < unitsPerEm * LEAST_EM)) {
      throw new UnusableFont();
    }
    this.glyphs = GlyphMap.of(table("cmap"));
    this.advances = advances(table("hmtx"), hhea.getShort(34) & 0xFFFF);
  }

  /**
   * Reads a font.
   *
   * @throws UnusableFont when it is none, or one that cannot be used here
   */
  public static FontFile read(byte[] bytes) {
    if (bytes.length > LARGEST) {
      throw new UnusableFont();
    }
    try {
      return new FontFile(unpacked(ByteBuffer.wrap(bytes)));
    } catch (BufferUnderflowException
        | IndexOutOfBoundsException
        | IllegalArgumentException
        | DataFormatException e) {
      throw new UnusableFont();
    }
  }

  /** What the name of such a file ends in. */
  public static String extension(byte[] font) {
    int kind = font.length < 4 ? 0 : ByteBuffer.wrap(font).getInt();
    return kind == WOFF ? "woff" : kind == OPENTYPE ? "otf" : "ttf";
  }

  private static ByteBuffer unpacked(ByteBuffer in) throws DataFormatException {
    int kind = in.getInt(0);
    if (kind == TRUETYPE || kind == OPENTYPE) {
      return in;
    }
    if (kind != WOFF) {
      throw new UnusableFont();
    }
    int tables = in.getShort(12) & 0xFFFF;
    if (tables > MOST_TABLES) {
      throw new UnusableFont();
    }
    long whole = 12 + 16L * tables;
    for (int t = 0; t < tables; t++) {
      whole += (in.getInt(44 + 20 * t + 12) & 0xFFFFFFFFL) + 3;
    }
    if (whole > LARGEST) {
      throw new UnusableFont();
    }
    ByteBuffer out = ByteBuffer.allocate((int) whole);
    out.putInt(in.getInt(4)).putShort((short) tables).position(12 + 16 * tables);
    for (int t = 0; t < tables; t++) {
      int entry = 44 + 20 * t;
      int from = in.getInt(entry + 4);
      int packed = in.getInt(entry + 8);
      int length = in.getInt(entry + 12);
      int at = out.position();
      out.putInt(12 + 16 * t, in.getInt(entry));
      out.putInt(12 + 16 * t + 4, in.getInt(entry + 16));
      out.putInt(12 + 16 * t + 8, at);
      out.putInt(12 + 16 * t + 12, length);
      if (packed == length) {
        out.put(in.array(), from, length);
      } else {
        Inflater inflater = new Inflater();
        inflater.setInput(in.array(), from, packed);
        int made = inflater.inflate(out.array(), at, length);
        inflater.end();
        if (made != length) {
          throw new UnusableFont();
        }
        out.position(at + length);
      }
      out.position((out.position() + 3) / 4 * 4);
    }
    return out.rewind();
  }

  private ByteBuffer table(String name) {
    int wanted = ByteBuffer.wrap(name.getBytes(StandardCharsets.US_ASCII)).getInt();
    int tables = Math.min(MOST_TABLES, file.getShort(4) & 0xFFFF);
    for (int t = 0; t < tables; t++) {
      int entry = 12 + 16 * t;
      if (file.getInt(entry) == wanted) {
        return file.slice(file.getInt(entry + 8), file.getInt(entry + 12));
      }
    }
    throw new UnusableFont();
  }

  private static int[] advances(ByteBuffer hmtx, int count) {
    int[] advances = new int[count];
    for (int i = 0; i < count; i++) {
      advances[i] = hmtx.getShort(4 * i) & 0xFFFF;
    }
    return advances;
  }

  /** Its family, as it states it and as drawing instructions have to name it. */
  public String family() {
    return family;
  }

  /** Whether its licence bits forbid that it goes along with what is drawn in it. */
  public boolean isRestricted() {
    return isRestricted;
  }

  /** Whether it is the bold one of its family. */
  public boolean isBold() {
    return isBold;
  }

  /** Whether it is the italic one of its family. */
  public boolean isItalic() {
    return isItalic;
  }

  /** Whether it has a letter. */
  public boolean has(int codePoint) {
    return glyphs.of(codePoint) > 0;
  }

  /**
   * How far a letter takes the pen, as a share of the size that is asked for. Size is the whole of
   * ascent and descent, as libass has it.
   */
  public double advance(int codePoint) {
    int glyph = glyphs.of(codePoint);
    return advances.length == 0
        ? 0
        : advances[Math.min(glyph, advances.length - 1)] / (ascent + descent);
  }

  /** Depth below the line, as a share of the size. */
  public double descent() {
    return descent / (ascent + descent);
  }

  /** Height of the em, as a share of the size. */
  public double em() {
    return unitsPerEm / (ascent + descent);
  }
}
