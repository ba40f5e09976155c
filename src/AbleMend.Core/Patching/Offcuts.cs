using AbleMend.Core.Limits;

namespace AbleMend.Core.Patching;

/// <summary>A piece of stock.</summary>
/// <param name="Id">What is written on it, 1 to 40 characters, unique.</param>
/// <param name="Material">Identifier of the cloth or patch stock.</param>
/// <param name="LengthMm">Length in millimetres, 10 to 50000.</param>
/// <param name="WidthMm">Width in millimetres, 10 to 5000.</param>
public sealed record Offcut([property: Size(1, 40)] string Id, string Material, [property: Limits(10, 50000, "mm")] double LengthMm, [property: Limits(10, 5000, "mm")] double WidthMm);

/// <summary>Where a patch lies on an offcut.</summary>
/// <param name="Patch">Order of the patch.</param>
/// <param name="Offcut">Identifier of the offcut.</param>
/// <param name="XMm">Corner along the offcut in millimetres.</param>
/// <param name="YMm">Corner across it in millimetres.</param>
/// <param name="Turned">Whether it is turned by a quarter.</param>
/// <param name="Damage">Which of the item's damages the patch is for, from 1.</param>
public sealed record Placement(int Patch, string Offcut, double XMm, double YMm, bool Turned, int Damage = 1);

/// <summary>Fits patches on the offcuts in stock: largest first, on the smallest piece that takes it, split where the scissors go.</summary>
public static class Offcuts
{
    /// <summary>Places the patches of each material on its own pieces; a material whose patches do not all fit is left out.</summary>
    /// <param name="patches">Patches of a plan, each with the number of the damage that it is for.</param>
    /// <param name="stock">All offcuts at hand.</param>
    public static IReadOnlyList<Placement> Fit(IReadOnlyList<(int Damage, Patch Patch)> patches, IReadOnlyList<Offcut> stock) =>
    [
        .. patches.Select((each, i) => (each.Patch, i)).GroupBy(each => each.Patch.Cloth)
            .SelectMany(group => TryFit([.. group.Select(each => (each.i, each.Patch.LengthMm, each.Patch.WidthMm))], [.. stock.Where(piece => piece.Material == group.Key)]) ?? [])
            .Select(placed => placed with { Patch = patches[placed.Patch].Patch.Order, Damage = patches[placed.Patch].Damage }),
    ];

    /// <summary>Places every patch, or says that they do not all fit.</summary>
    /// <param name="patches">Patches, by order, length and width.</param>
    /// <param name="stock">Offcuts at hand.</param>
    /// <returns>A placement for each patch, or null when one finds no room.</returns>
    public static IReadOnlyList<Placement>? TryFit(IReadOnlyList<(int Order, double LengthMm, double WidthMm)> patches, IReadOnlyList<Offcut> stock)
    {
        var free = stock.Select(piece => new Room(piece.Id, 0, 0, piece.LengthMm, piece.WidthMm)).ToList();
        var placed = new List<Placement>(patches.Count);
        foreach (var (order, length, width) in patches.OrderByDescending(patch => patch.LengthMm * patch.WidthMm))
        {
            var rooms = free.Where(room => room.Takes(length, width) || room.Takes(width, length)).OrderBy(room => room.Length * room.Width).ToList();
            if (rooms.Count == 0)
            {
                return null;
            }

            var room = rooms[0];
            var turned = !room.Takes(length, width);
            var (l, w) = turned ? (width, length) : (length, width);
            placed.Add(new Placement(order, room.Offcut, room.X, room.Y, turned));
            free.Remove(room);
            free.Add(room with { X = room.X + l, Length = room.Length - l, Width = w });
            free.Add(room with { Y = room.Y + w, Width = room.Width - w });
        }

        return placed;
    }

    private sealed record Room(string Offcut, double X, double Y, double Length, double Width)
    {
        public bool Takes(double length, double width) => length <= Length && width <= Width;
    }
}
