using System.IO.Compression;
using System.Text;

namespace AbleMend.Data;

/// <summary>
/// A long text as a row keeps it (Brotli, RFC 7932): a plan is some seventy kilobytes of JSON, of which a tenth is left. A row from before it
/// was packed holds the text as it is, and is read as well.
/// </summary>
public static class PackedText
{
    /// <summary>The first byte of what was packed quickly; no JSON begins so.</summary>
    private const byte Quick = 1;

    /// <summary>The first byte of what was packed as tightly as is worth while.</summary>
    private const byte Tight = 2;

    /// <summary>Packs a text that may change soon: two milliseconds for a plan.</summary>
    public static byte[] Of(string text) => Packed(text, Quick, 5);

    /// <summary>What is kept for good, a sixth shorter: it takes thirty times as long, and is done once.</summary>
    /// <param name="bytes">What was packed or never was; it can be read.</param>
    public static byte[] Tightened(byte[] bytes) => bytes is [Tight, ..] ? bytes : Packed(Read(bytes), Tight, 10);

    private static byte[] Packed(string text, byte mark, int quality)
    {
        using var packed = new MemoryStream();
        packed.WriteByte(mark);
        using (var pack = new BrotliStream(packed, new BrotliCompressionOptions { Quality = quality }))
        {
            pack.Write(Encoding.UTF8.GetBytes(text));
        }

        return packed.ToArray();
    }

    /// <summary>The text; empty where the bytes cannot be unpacked, as no document is.</summary>
    public static string Read(byte[] bytes)
    {
        if (bytes is not [Quick or Tight, ..])
        {
            return Encoding.UTF8.GetString(bytes);
        }

        try
        {
            using var unpack = new BrotliStream(new MemoryStream(bytes, 1, bytes.Length - 1), CompressionMode.Decompress);
            using var reader = new StreamReader(unpack, Encoding.UTF8);
            return reader.ReadToEnd();
        }
        catch (Exception fault) when (fault is InvalidDataException or InvalidOperationException)
        {
            return "";
        }
    }
}
