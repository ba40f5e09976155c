using System.Globalization;
using AbleMend.Core.Cases;

namespace AbleMend.Core.Tests.Plans;

/// <summary>
/// The laws of a plan over cases that nobody chose. The number of cases and the seed come from <c>ABLE_MEND_SWEEP</c> and
/// <c>ABLE_MEND_SEED</c>; the seed is told with every break, so that it can be seen again.
/// </summary>
public class SweepTests
{
    private const int UsualCount = 6000;

    // One commit gives one answer: other seeds are swept by hand, many cases at a time.
    private const int UsualSeed = 2026;

    private static int Setting(string name, int usual) => int.TryParse(Environment.GetEnvironmentVariable(name), NumberStyles.Integer, CultureInfo.InvariantCulture, out var set) ? set : usual;

    /// <summary>Nights in which the clocks change, each with a shop's zone: at one, two and three, by an hour and by half of one, at midnight.</summary>
    private static readonly (string Zone, DateTimeOffset Change)[] ClockChanges =
    [
        ("Europe/Lisbon", new DateTimeOffset(2026, 3, 29, 1, 0, 0, TimeSpan.Zero)), ("Europe/Lisbon", new DateTimeOffset(2026, 10, 25, 1, 0, 0, TimeSpan.Zero)),
        ("America/New_York", new DateTimeOffset(2026, 3, 8, 7, 0, 0, TimeSpan.Zero)), ("America/New_York", new DateTimeOffset(2026, 11, 1, 6, 0, 0, TimeSpan.Zero)),
        ("Australia/Lord_Howe", new DateTimeOffset(2026, 4, 4, 15, 0, 0, TimeSpan.Zero)), ("Australia/Lord_Howe", new DateTimeOffset(2026, 10, 3, 15, 30, 0, TimeSpan.Zero)),
        ("America/Santiago", new DateTimeOffset(2026, 4, 5, 3, 0, 0, TimeSpan.Zero)), ("America/Santiago", new DateTimeOffset(2026, 9, 6, 4, 0, 0, TimeSpan.Zero)),
    ];

    [Fact]
    public void Every_plan_keeps_the_laws() => Sweep(Setting("ABLE_MEND_SWEEP", UsualCount), (asked, _) => asked);

    // The changes: the IANA time zone database, as the platform has it.
    [Fact]
    public void Every_plan_keeps_them_over_the_night_in_which_the_clocks_change()
    {
        foreach (var (zone, change) in ClockChanges)
        {
            var there = TimeZoneInfo.FindSystemTimeZoneById(zone);
            there.GetUtcOffset(change.AddMinutes(-1)).ShouldNotBe(there.GetUtcOffset(change), $"the clocks of {zone} change there");
        }

        Sweep(Setting("ABLE_MEND_SWEEP", UsualCount) / 5, (asked, i) =>
        {
            var (zone, change) = ClockChanges[i % ClockChanges.Length];
            var start = change.AddMinutes(-(i * 37 % (48 * 60)));
            return asked with
            {
                Bench = asked.Bench with { Zone = zone },
                Wanted = asked.Wanted with { StartAt = start, NeededBy = asked.Wanted.NeededBy is { } due ? start + (due - asked.Wanted.StartAt) : null },
            };
        });
    }

    private static void Sweep(int count, Func<RepairCase, int, RepairCase> turned)
    {
        var seed = Setting("ABLE_MEND_SEED", UsualSeed);
        var broken = new Dictionary<string, (int Times, string First)>();
        var planned = 0;
        void Break(string law, string what, string where) =>
            broken[law] = broken.TryGetValue(law, out var known) ? (known.Times + 1, known.First) : (1, $"{what}   [{where}]");

        for (var i = 0; i < count; i++)
        {
            var asked = turned(new SweptCases(unchecked((seed * 7919) + i)).Next(), i);
            var damage = asked.Damages[0].Seen;
            var where = $"#{i} {asked.Item.Construction}, {damage.Kind} at {damage.Location}, of {asked.Damages.Count}, {asked.Bench.TemperatureC} °C {asked.Bench.RelativeHumidityPercent} %, from {asked.Wanted.StartAt:u} in {asked.Bench.Zone}";
            var outcome = Cases.Planner.Plan(asked);
            foreach (var problem in outcome.Problems.Where(problem => Voice.Plain.Say(problem.Remedy).Length < 10))
            {
                Break("no dead end without a remedy", Voice.Plain.Say(problem.Message), where);
            }

            if (outcome.Value is not { } plan || plan.Damages.Any(each => each.System is null))
            {
                continue;
            }

            planned++;
            foreach (var (law, look) in PlanLaws.All)
            {
                foreach (var what in look(asked, plan))
                {
                    Break($"{law}: {plan.Damages[0].System!.Method}", what, where);
                }
            }
        }

        planned.ShouldBeGreaterThan(count / 4, "most cases have to be mended here for the laws to say anything");
        broken.ShouldBeEmpty($"seed {seed}, {count} cases, {planned} plans:\n{string.Join("\n", broken.OrderByDescending(pair => pair.Value.Times).Select(pair => $"{pair.Value.Times} × {pair.Key}: {pair.Value.First}"))}");
    }
}
