using System.Globalization;
using AbleMend.Benchmarks.Fortnight;

// A fortnight of a shop, lived through twice with the same arrivals, hands, bad days and failed tests: by the plan of the days, and first come
// first served. What is counted is what really happened.
var seeds = args.Length > 0 ? args[0].Split(',').Select(each => int.Parse(each, CultureInfo.InvariantCulture)).ToList() : [1, 2, 3];
Console.WriteLine("| seed | by | items in | handed back | late | hours late | windows missed | foreseen | mixes lost | hands, h |");
Console.WriteLine("|---|---|---|---|---|---|---|---|---|---|");
foreach (var seed in seeds)
{
    foreach (var (name, choose) in new (string, IChoose)[] { ("the plan of the days", new ByPlan()), ("first come first served", new FirstCome()) })
    {
        var told = new Shop(seed).Live(choose);
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {seed} | {name} | {told.Arrived} | {told.HandedBack} | {told.Late} | {told.HoursLate:0} | {told.Missed} | {told.Foreseen} | {told.LostMixes} | {told.HandsHours:0} |"));
    }
}
