using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Gear;
using AbleMend.Core.Mixing;

namespace AbleMend.Core.Tests.Plans;

/// <summary>Cases drawn over everything that a shop may put: construction, place, damage, size, depth, air, hours, shelf, drawer and measure.</summary>
internal sealed class SweptCases(int seed)
{
    private static readonly MendCatalogue Catalogue = Cases.Planner.Catalogue;

    private static readonly string[] FullDrawer = ["P60", "P80", "P100", "P120", "P150", "P220", "P320", "P400", "P500", "P1000", "P2000", "P2500"];

    private static readonly MeasuringDevice[] Devices = [new CupDevice(5, 0.5, 60), new CupDevice(10, 1, 100), new CupDevice(1, 0.2, 30), new ScaleDevice(0.1), new ScaleDevice(1), new ScaleDevice(5), new SyringeDevice(0.5, 20), new PumpDevice(8, 4)];

    private static readonly (int Opens, int Closes)[] Days = [(8, 18), (9, 13), (0, 24), (13, 22)];

    private readonly Random _random = new(seed);

    /// <summary>The next case.</summary>
    public RepairCase Next()
    {
        var construction = Pick(Catalogue.ConstructionList);
        var place = Pick(construction.Locations);
        var (opens, closes) = Pick(Days);
        // Several of a kind share their cups.
        var alike = Chance(0.3) ? Pick(construction.Damages) : null;
        var start = Cases.Morning.AddMinutes(_random.Next(0, 14 * 24 * 60));
        return Cases.DeckDing() with
        {
            Item = new ItemFacts("SWEEP", construction.Id, _random.Next(0, 200), Pick(Enum.GetValues<Warranty>())),
            Damages = [.. Enumerable.Range(0, HowMany()).Select(i => new DamageToMend(Hurt(construction, i == 0 ? place : Pick(construction.Locations), alike ?? Pick(construction.Damages)), new Choice(Schools: Schools())))],
            Bench = new BenchFacts(Math.Round(Between(-5, 42), 1), Math.Round(Between(8, 100)), Pick(Enum.GetValues<LightLevel>()), Chance(0.4) ? Math.Round(Between(-5, 20), 1) : null, OpensHour: opens, ClosesHour: closes),
            Wanted = new Wanted(Pick(Enum.GetValues<Permanence>()), Pick(["P220", "P400", "P1000"]), start, Chance(0.3) ? start.AddHours(_random.Next(2, 200)) : null, _random.Next(1, 4), Chance(0.2)),
            Tools = new Tools(Pick(Devices), Drawer(), Dropper: start.Minute % 3 == 0 ? new WeighedDrops(40, Math.Round(40 * (0.012 + (start.Minute * 0.0008)), 2)) : null),
            Shelf = Chance(0.6) ? null : [.. Catalogue.MaterialList.Where(_ => Chance(0.7)).Select(material => new OnShelf(material.Id))],
        };
    }

    /// <summary>Mostly one damage, sometimes a few, now and then as many as a case may have.</summary>
    private int HowMany() => Chance(0.2) ? _random.Next(2, 4) : Chance(0.02) ? _random.Next(4, 13) : 1;

    private Damage Hurt(Construction construction, Location place, UsualDamage usual)
    {
        var thickness = construction.ThicknessMmAt(place);
        var (length, width) = (Math.Min(900, usual.LengthMm * Spread()), Math.Min(600, Math.Max(0.3, usual.WidthMm * Spread())));
        var narrow = usual.Kind == DamageKind.Crack || width < 1;
        return new Damage(
            usual.Kind, Chance(0.6) ? usual.Location : place.Id, narrow ? new CrackShape(Math.Max(length, width), width) : new OvalShape(length, width),
            Math.Round(Math.Clamp(usual.DepthMm * Spread(), 0.01, Math.Min(thickness, construction.ThicknessMmAt(construction.Locations.First(each => each.Id == usual.Location)))), 3),
            Chance(0.3), Pick(Enum.GetValues<Cause>()), GapMm: usual.GapMm, MissingMm: usual.MissingMm, Plies: usual.Plies, Located: usual.Leaks ? Chance(0.7) : null,
            Fin: usual.Kind == DamageKind.FinBoxSurround ? new FinCheck(5, 5, false) : null);
    }

    private Dictionary<string, string> Schools() => Catalogue.Schools.Values.Where(_ => Chance(0.2)).ToDictionary(school => school.Id, school => Pick(school.Options).Id);

    private IReadOnlyList<string> Drawer() => _random.Next(4) switch
    {
        0 => ["P60"],
        1 => ["P2000"],
        2 => [.. FullDrawer.Where(_ => Chance(0.5)).DefaultIfEmpty("P150")],
        _ => FullDrawer,
    };

    private double Spread() => Math.Exp(Between(Math.Log(0.25), Math.Log(6)));

    private double Between(double least, double most) => least + (_random.NextDouble() * (most - least));

    private bool Chance(double share) => _random.NextDouble() < share;

    private T Pick<T>(IReadOnlyList<T> from) => from[_random.Next(from.Count)];
}
