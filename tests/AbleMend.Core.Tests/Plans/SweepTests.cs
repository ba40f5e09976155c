using System.Globalization;

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

    [Fact]
    public void Every_plan_keeps_the_laws()
    {
        var (count, seed) = (Setting("ABLE_MEND_SWEEP", UsualCount), Setting("ABLE_MEND_SEED", UsualSeed));
        var broken = new Dictionary<string, (int Times, string First)>();
        var planned = 0;
        void Break(string law, string what, string where) =>
            broken[law] = broken.TryGetValue(law, out var known) ? (known.Times + 1, known.First) : (1, $"{what}   [{where}]");

        for (var i = 0; i < count; i++)
        {
            var asked = new SweptCases(unchecked((seed * 7919) + i)).Next();
            var damage = asked.Damages[0].Seen;
            var where = $"#{i} {asked.Item.Construction}, {damage.Kind} at {damage.Location}, of {asked.Damages.Count}, {asked.Bench.TemperatureC} °C {asked.Bench.RelativeHumidityPercent} %";
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
