using AbleMend.Core.Figures;
using AbleMend.Core.Materials;
using AbleMend.Core.Quantities;
using AbleMend.Core.Safety;
using static AbleMend.Core.Quantities.Measures;

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

    /// <summary>Puts the estimate for some grams of a material that gives off a vapour, so many times over; nothing where it gives off none or the room is not known.</summary>
    public static void Put(Job job, string prefix, Material material, Figure<Mass> grams, Figure<Count>? times = null)
    {
        var bench = job.View.Case.Bench;
        if (!job.WantsWords || material.Vapour is not { } vapour || bench.RoomM3 is not { } known)
        {
            return;
        }

        var limit = RoomAir.Limits[vapour.Solvent];
        var share = job.LabelOf(material).Says("gives-off", "Gives off", Percent(vapour.MassShare * 100));
        var room = job.Figures.Fact("room.volume", "Room", M3(known));
        var changes = job.Figures.Fact("room.air-changes", "Air changes", PerHour(bench.AirChangesPerHour));
        var ceiling = job.Constant($"vapour.{limit.Solvent}.limit", $"{limit.Solvent}: 8-hour limit", Ppm(limit.LimitPpm), RoomAir.Source);
        var flammable = job.Constant($"vapour.{limit.Solvent}.flammable", $"{limit.Solvent}: lower flammable limit", Percent(limit.LowerFlammablePercent), RoomAir.Source);
        var given = job.Figures.Work($"{prefix}.vapour-g", "Vapour that goes into the room", () => Grams(grams.G * (times?.N ?? 1) * share.Percent / 100), "What is put on × what of it gives off", Source.Arithmetic, 1);
        job.GivesOff(limit.Solvent, given);
        var air = job.Derive(() => RoomAir.Estimate(limit, given.G, room.M3, changes.PerHour));
        job.Figure(prefix + OfLimit, "Vapour in the room, of the 8-hour limit", () => Percent(air.Value.MeanPpm / ceiling.Ppm * 100),
            "Solvent given off ÷ room, falling with the air changes, as a mean over eight hours ÷ the limit", RoomAir.Source, 1, () => "An open door: more air changes.");
        job.Figure(prefix + OfFlammable, "At its peak, of a tenth of what burns", () => Percent(air.Value.PeakPpm / (flammable.Percent * 1e4 / 10) * 100),
            "All of it in the room at once ÷ a tenth of the lower flammable limit; close to the work it is far more", RoomAir.Source, 1);
    }

    /// <summary>Warns where all vapour of a plan passes the limit, or a peak a tenth of what burns.</summary>
    public static IEnumerable<Warning> Warn(IReadOnlyList<Figure> figures)
    {
        var limit = figures.Where(figure => figure.Id.EndsWith(OfLimit, StringComparison.Ordinal)).Sum(figure => figure.Value);
        if (limit > 100)
        {
            yield return new Warning("vapour", $"Vapour in this room comes to {Percent(limit)} of the 8-hour limit: more air, a fan that blows out, or outdoors. An estimate: the safety sheet and local limits decide.", null);
        }

        if (figures.Any(figure => figure.Id.EndsWith(OfFlammable, StringComparison.Ordinal) && figure.Value > 100))
        {
            yield return new Warning("vapour-burns", "At its peak the vapour passes a tenth of what burns: no flame, no spark, no heater, and work outdoors.", null);
        }
    }
}
