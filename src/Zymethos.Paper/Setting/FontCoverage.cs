using System.Buffers.Binary;

namespace Zymethos.Paper.Setting;

/// <summary>Which characters a font can draw: its table <c>cmap</c>, subtables of format 4 and 12 (OpenType specification).</summary>
internal sealed class FontCoverage
{
    private readonly List<(int First, int Last)> _spans = [];

    /// <summary>Reads the table of a font file.</summary>
    public FontCoverage(ReadOnlySpan<byte> font)
    {
        var tables = BinaryPrimitives.ReadUInt16BigEndian(font[4..]);
        for (var t = 0; t < tables; t++)
        {
            var entry = font[(12 + (t * 16))..];
            if (!entry[..4].SequenceEqual("cmap"u8))
                continue;
            var cmap = font[(int)BinaryPrimitives.ReadUInt32BigEndian(entry[8..])..];
            var count = BinaryPrimitives.ReadUInt16BigEndian(cmap[2..]);
            for (var s = 0; s < count; s++)
                Read(cmap[(int)BinaryPrimitives.ReadUInt32BigEndian(cmap[(4 + (s * 8) + 4)..])..]);
        }
    }

    /// <summary>Whether it can draw a character.</summary>
    public bool Has(int character) => _spans.Exists(s => s.First <= character && character <= s.Last);

    private void Read(ReadOnlySpan<byte> table)
    {
        switch (BinaryPrimitives.ReadUInt16BigEndian(table))
        {
            case 4:
                var segments = BinaryPrimitives.ReadUInt16BigEndian(table[6..]) / 2;
                for (var s = 0; s < segments; s++)
                {
                    var last = BinaryPrimitives.ReadUInt16BigEndian(table[(14 + (s * 2))..]);
                    var first = BinaryPrimitives.ReadUInt16BigEndian(table[(16 + ((segments + s) * 2))..]);
                    if (first != 0xFFFF)
                        _spans.Add((first, last));
                }

                break;
            case 12:
                var groups = (int)BinaryPrimitives.ReadUInt32BigEndian(table[12..]);
                for (var g = 0; g < groups; g++)
                    _spans.Add(
                        (
                            (int)BinaryPrimitives.ReadUInt32BigEndian(table[(16 + (g * 12))..]),
                            (int)BinaryPrimitives.ReadUInt32BigEndian(table[(20 + (g * 12))..])
                        )
                    );
                break;
        }
    }
}
