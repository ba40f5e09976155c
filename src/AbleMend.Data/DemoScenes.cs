using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Running;

namespace AbleMend.Data;

/// <summary>Where a demo run stands.</summary>
/// <param name="StepId">Step that it has reached.</param>
/// <param name="Phase">Where that step stands.</param>
/// <param name="Ago">How long ago that phase began.</param>
/// <param name="HandedBack">Whether it was handed back at the end.</param>
/// <param name="Words">Words of the hand-back.</param>
internal sealed record DemoMoment(string StepId, StepPhase Phase, TimeSpan Ago, bool HandedBack = false, string? Words = null);

/// <summary>One mend of the demo.</summary>
internal sealed record DemoScene(string Tag, Damage Damage, Wanted Wanted, Choice? Choice, DemoMoment? At, TimeSpan Arrived, bool SentOn = false)
{
    /// <value>Whether it is the proper repair of the scene before it.</value>
    public bool ProperRepairOfPrevious { get; init; }

    /// <value>Damages of the same item beside the first.</value>
    public IReadOnlyList<Damage> MoreDamages { get; init; } = [];
}

/// <summary>The demo's fleet.</summary>
internal static class DemoItems
{
    /// <summary>Boards and other gear of Lantern Quay.</summary>
    public static IReadOnlyList<ItemRow> At(DateTimeOffset now) =>
    [
        Board("BRD-01", "Longboard, cream", "pu-polyester-board", now, 52),
        Board("BRD-02", "Longboard, sand", "pu-polyester-board", now, 38),
        Board("BRD-03", "Funboard, teal", "pu-polyester-board", now, 27),
        Board("BRD-04", "Funboard, grey", "pu-epoxy-board", now, 22),
        Board("BRD-05", "Shortboard, white", "pu-polyester-board", now, 31),
        Board("BRD-06", "Shortboard, lime", "pu-polyester-board", now, 44),
        Board("BRD-07", "Twin fin, rust", "pu-polyester-board", now, 41),
        Board("BRD-08", "Twin fin, blue", "eps-epoxy-board", now, 5, "Unknown"),
        Board("BRD-09", "Paddle board, birch", "eps-epoxy-board", now, 33),
        Board("BRD-10", "Paddle board, slate", "eps-epoxy-board", now, 96),
        Board("BRD-11", "Race board, red", "eps-epoxy-board", now, 19),
        Board("BRD-12", "Rescue trainer, yellow", "pu-polyester-board", now, 60),
        Board("SUP-14", "Inflatable board, orange", "drop-stitch-board", now, 26),
        Board("CAN-03", "Canoe, aluminium", "aluminium-canoe", now, 140),
        Board("KAY-12", "Kayak, moss", "rotomoulded-kayak", now, 70),
        Board("RIB-01", "Safety boat", "csm-boat", now, 88),
        Board("SKI-22L", "Touring ski, left", "ski", now, 33),
        Board("SKI-22R", "Touring ski, right", "ski", now, 33),
        Board("TEN-31", "Tunnel tent", "tent-polyurethane", now, 40),
        Board("WAD-06", "Wader, size L", "neoprene-wader", now, 29),
        Board("BOO-15", "Walking boots, 43", "boot-leather", now, 31),
        Board("PAD-05", "Paddle, 215 cm", "carbon-paddle", now, 30),
        Board("HAR-02", "Climbing harness, M", "climbing-harness", now, 50),
        Board("BRD-13", "Longboard, plum", "pu-polyester-board", now, 36),
    ];

    private static ItemRow Board(string tag, string name, string construction, DateTimeOffset now, int months, string warranty = "None") =>
        new() { Tag = tag, Name = name, Construction = construction, NewOn = DateOnly.FromDateTime(now.UtcDateTime).AddMonths(-months), Warranty = warranty };
}

/// <summary>The demo's mends.</summary>
internal static class DemoScenes
{
    /// <summary>A dozen boards at different stages, around a present.</summary>
    public static IReadOnlyList<DemoScene> All(DateTimeOffset now, TimeZoneInfo zone)
    {
        var monday = Next(DayOfWeek.Monday, 9, now, zone);
        var thursday = Next(DayOfWeek.Thursday, 13, now, zone);
        var (soon, later) = monday < thursday ? (monday, thursday) : (thursday, monday);
        return
        [
            new("BRD-04", Ding("bottom", 42, 4), For(soon.AddDays(-7)), System("fill-glass-coat", "epoxy-2to1"),
                new("prove-float", StepPhase.Done, TimeSpan.FromDays(4), true, "Dry inside. Look at the edge after the summer."), Days(9)),
            new("BRD-06", Ding("deck", 30, 3), For(soon.AddDays(-7), Permanence.ForNow), System("uv-under-film", "uv-polyester"),
                new("prove-thumb", StepPhase.Done, TimeSpan.FromDays(5), true, "For now only: proper repair is booked."), Days(6)),
            new("BRD-06", Ding("deck", 30, 3), For(now.AddDays(24)), null, null, Days(5)) { ProperRepairOfPrevious = true },
            new("BRD-08", new Damage(DamageKind.Crack, "deck", new CrackShape(160, 1), 0.5, false, Cause.ByItself), For(later), null, null, Days(2), true),
            new("BRD-10", new Damage(DamageKind.Crack, "bottom", new CrackShape(480, 6), 20, true, Cause.Pressure, AcrossWholeWidth: true), For(null), null, null, Days(3), true),
            new("BRD-12", Ding("deck", 55, 8), For(soon), System("fill-glass-coat", "polyester-laminating"),
                new("glass", StepPhase.Waiting, TimeSpan.FromHours(23.7)), Days(2)),
            new("BRD-09", new Damage(DamageKind.Hole, "nose", new OvalShape(38, 24), 9, false, Cause.Knock), For(soon), System("fill-glass-coat", "epoxy-5to1"),
                new("glass-mix", StepPhase.Hands, TimeSpan.FromMinutes(6)), Days(2)),
            new("BRD-07", FinBox(6, 6), For(later), System("fill-glass-coat", "epoxy-2to1", "glass-203"),
                new("glass", StepPhase.Waiting, TimeSpan.FromHours(12)), Days(1)),
            new("BRD-03", Ding("deck", 34, 3.5), For(now.AddHours(3), Permanence.ForNow), System("uv-under-film", "uv-polyester"),
                new("spread", StepPhase.Waiting, TimeSpan.FromMinutes(4)), TimeSpan.FromHours(1)),
            new("BRD-11", Torn(14), For(later), System("fill-glass-coat", "epoxy-2to1"),
                new("dry", StepPhase.Waiting, TimeSpan.FromHours(29)), Days(2)),
            new("BRD-05", Ding("rail", 26, 5), For(soon), System("fill-glass-coat", "epoxy-2to1"),
                new("sand", StepPhase.Next, TimeSpan.FromMinutes(40)), Days(3)),
            new("BRD-01", Ding("tail", 48, 10), For(later), System("fill-glass-coat", "epoxy-2to1"),
                new("prove-float", StepPhase.Failed, TimeSpan.FromMinutes(25)), Days(5)),
            new("BRD-02", Ding("nose", 36, 6), For(later), null, null, TimeSpan.FromMinutes(30)),
            new("SUP-14", Found(new Damage(DamageKind.Puncture, "bottom", new RoundShape(4), 0.9, false, Cause.Knock)), For(later), null,
                new("rim", StepPhase.Waiting, TimeSpan.FromHours(16)), Days(1)),
            new("CAN-03", Found(new Damage(DamageKind.Crack, "keel", new CrackShape(70, 1.5), 1.4, false, Cause.Knock)), For(later.AddDays(7)), null,
                new("again", StepPhase.Waiting, TimeSpan.FromHours(20)), Days(2)),
            new("SKI-22R", new Damage(DamageKind.CoreShot, "base", new OvalShape(34, 12), 2.3, false, Cause.Knock), For(later), null,
                new("level", StepPhase.Next, TimeSpan.FromMinutes(15)), Days(1)),
            new("HAR-02", new Damage(DamageKind.Tear, "anywhere", new CrackShape(20, 2), 1, false, Cause.Wear), For(null), null, null, Days(1), true),
            new("BRD-13", Ding("deck", 40, 5), For(later.AddDays(3)), System("fill-glass-coat", "epoxy-2to1"),
                new("glass", StepPhase.Waiting, TimeSpan.FromMinutes(20)), Days(1))
            {
                MoreDamages = [Ding("tail", 28, 4), new(DamageKind.Crack, "rail", new CrackShape(60, 1), 0.5, false, Cause.Knock)],
            },
        ];
    }

    private static Damage Found(Damage damage) => damage with { Located = true, Finds = [new Find("submersion", "one, beside the handle")] };

    private static TimeSpan Days(double days) => TimeSpan.FromDays(days);

    private static Damage Ding(string location, double diameterMm, double depthMm) =>
        new(DamageKind.Ding, location, new RoundShape(diameterMm), depthMm, false, Cause.Knock);

    private static Damage FinBox(double cant, double twin) =>
        new(DamageKind.FinBoxSurround, "fin-box", new OvalShape(180, 95), 0.5, false, Cause.Knock, Fin: new FinCheck(cant, twin, true));

    private static Damage Torn(double depthMm) =>
        new(DamageKind.Hole, "rail", new TracedShape([new(-22, -9), new(4, -14), new(25, -3), new(18, 12), new(-12, 13)]), depthMm, true, Cause.Knock);

    private static Wanted For(DateTimeOffset? due, Permanence permanence = Permanence.Lasting) => new(permanence, "P400", null, due);

    private static Choice System(string method, string resin, string? cloth = null) => new(method, resin, cloth);

    private static DateTimeOffset Next(DayOfWeek day, int hour, DateTimeOffset now, TimeZoneInfo zone)
    {
        var local = TimeZoneInfo.ConvertTime(now, zone);
        var date = local.Date.AddDays(((int)day - (int)local.DayOfWeek + 7) % 7).AddHours(hour);
        var due = date <= local.DateTime ? date.AddDays(7) : date;
        return new DateTimeOffset(due, zone.GetUtcOffset(due)).ToUniversalTime();
    }
}
