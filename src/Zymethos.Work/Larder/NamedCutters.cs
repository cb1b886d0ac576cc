using System.Net;

namespace Zymethos.Work.Larder;

/// <summary>The cutters that a kept cutting sheet names in its address.</summary>
public static class NamedCutters
{
    /// <summary>As "star 70 mm, bell 66 mm"; cutters of the kitchen's own are left out, since they are there. Empty for none.</summary>
    /// <param name="address">Path and query of the sheet.</param>
    public static string Of(string address)
    {
        var query = address[(address.IndexOf('?', StringComparison.Ordinal) + 1)..];
        var pairs = query
            .Split('&', StringSplitOptions.RemoveEmptyEntries)
            .Select(p => p.Split('=', 2))
            .Where(p => p.Length == 2)
            .Select(p => (Name: p[0], Value: WebUtility.UrlDecode(p[1])))
            .ToList();
        var shapes = pairs.Where(p => p.Name == "Shape").Select(p => p.Value).ToList();
        var sizes = pairs.Where(p => p.Name == "Size").Select(p => p.Value).ToList();
        return string.Join(
            ", ",
            shapes
                .Select((s, i) => (Shape: s, Size: i < sizes.Count ? sizes[i] : ""))
                .Where(s => s.Shape.Length > 0 && !Guid.TryParse(s.Shape, out _))
                .Select(s => s.Size.Length > 0 ? $"{s.Shape} {s.Size} mm" : s.Shape)
        );
    }
}
