using AbleMend.Core.Materials;
using AbleMend.Core.Plans;
using AbleMend.Core.Safety;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Vapour that a step gives to the room, where the room is known.</summary>
internal static class Fumes
{
    /// <summary>End of the identifier of a share of the 8-hour limit.</summary>
    public const string OfLimit = ".vapour";

    /// <summary>End of the identifier of a share of a tenth of the lower flammable limit.</summary>
    public const string OfFlammable = ".vapour-peak";

    /// <summary>Cleaner on a well-wetted cloth, in grams; all of it goes into the air. From memory.</summary>
    public const double ClothG = 10;

    /// <summary>Puts the estimate for some grams of a material that gives off a vapour; nothing where it gives off none or the room is not known.</summary>
    /// <returns>Identifiers of the figures put.</returns>
    public static IReadOnlyList<string> Put(MethodInputs inputs, string prefix, Material material, double grams)
    {
        var bench = inputs.View.Case.Bench;
        if (material.Vapour is not { } vapour || bench.RoomM3 is not { } room)
        {
            return [];
        }

        var limit = RoomAir.Limits[vapour.Solvent];
        var released = grams * vapour.MassShare;
        var air = RoomAir.Estimate(limit, released, room, bench.AirChangesPerHour);
        Input[] from =
        [
            new($"{vapour.Solvent} given off", released, "g"), new("Room", room, "m³"), new("Air changes", bench.AirChangesPerHour, "an hour"),
            new("Mean over 8 hours", air.MeanPpm, "ppm"), new("Limit", limit.LimitPpm, "ppm"), new("Peak", air.PeakPpm, "ppm"),
        ];
        inputs.Sheet.Put(prefix + OfLimit, "Vapour in the room, of the 8-hour limit", new Worked(air.ShareOfLimit * 100, "%", new Derivation(
            "Solvent given off ÷ room, falling with the air changes, as a mean over eight hours ÷ the limit", RoomAir.Source, from, "An open door: more air changes.")), 1);
        inputs.Sheet.Put(prefix + OfFlammable, "At its peak, of a tenth of what burns", new Worked(air.ShareOfFlammable * 100, "%", new Derivation(
            "All of it in the room at once ÷ a tenth of the lower flammable limit; close to the work it is far more", RoomAir.Source, from)), 1);
        return [prefix + OfLimit, prefix + OfFlammable];
    }

    /// <summary>Warns where all vapour of a plan passes the limit, or a peak a tenth of what burns.</summary>
    public static IEnumerable<Warning> Warn(IReadOnlyList<Figure> figures)
    {
        var limit = figures.Where(figure => figure.Id.EndsWith(OfLimit, StringComparison.Ordinal)).Sum(figure => figure.Value);
        if (limit > 100)
        {
            yield return new Warning("vapour", $"Vapour in this room comes to {limit:0} % of the 8-hour limit: more air, a fan that blows out, or outdoors. An estimate: the safety sheet and local limits decide.", null);
        }

        if (figures.Any(figure => figure.Id.EndsWith(OfFlammable, StringComparison.Ordinal) && figure.Value > 100))
        {
            yield return new Warning("vapour-burns", "At its peak the vapour passes a tenth of what burns: no flame, no spark, no heater, and work outdoors.", null);
        }
    }
}
