using System.Text.Json.Serialization;
using AbleMend.Core.Limits;

namespace AbleMend.Core.Mixing;

/// <summary>What the technician measures with.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(CupDevice), "cup")]
[JsonDerivedType(typeof(ScaleDevice), "scale")]
[JsonDerivedType(typeof(SyringeDevice), "syringe")]
[JsonDerivedType(typeof(PumpDevice), "pump")]
public abstract record MeasuringDevice
{
    /// <summary>What speaks against it; null where nothing does.</summary>
    /// <param name="field">Where it stands in what was sent.</param>
    public virtual Problem? Fault(string field) => null;
}

/// <summary>One more device of a shop, which a mend may be measured with instead of the usual one.</summary>
/// <param name="Name">What the shop calls it.</param>
/// <param name="Device">What it is.</param>
public sealed record NamedDevice([property: Size(1, 40)] string Name, MeasuringDevice Device)
{
    /// <summary>More than these are not picked from at a bench.</summary>
    public const int Most = 12;

    /// <summary>What speaks against a shop's devices: two that cannot be told apart, or one that cannot be.</summary>
    /// <param name="devices">The devices.</param>
    /// <param name="field">Where they stand in what was sent.</param>
    public static IEnumerable<Problem> Faults(IReadOnlyList<NamedDevice> devices, string field) =>
        devices.Select((each, i) => each.Device.Fault($"{field}[{i}].device")).OfType<Problem>()
            .Concat(devices.GroupBy(each => each.Name.Trim(), StringComparer.OrdinalIgnoreCase).Where(same => same.Count() > 1)
                .Select(same => new Problem("twice", field, $"Two devices are called {same.Key:as-is}.", "Tell them apart.")));
}

/// <summary>A graduated cup: each part is poured to a line.</summary>
/// <param name="LineEveryMl">Distance of its lines in mL, 0.1 to 100.</param>
/// <param name="LineErrorMl">How far a pour to a line may be off, in mL, above 0 and at most the distance of the lines.</param>
/// <param name="HoldsMl">Volume of the cup in mL, 5 to 2000.</param>
public sealed record CupDevice([property: Limits(0.1, 100, "mL")] double LineEveryMl, [property: Limits(0.001, 100, "mL")] double LineErrorMl, [property: Limits(5, 2000, "mL")] double HoldsMl) : MeasuringDevice
{
    /// <inheritdoc/>
    public override Problem? Fault(string field) =>
        LineErrorMl <= LineEveryMl ? null : new Problem("line-error", $"{field}.lineErrorMl", "A pour cannot be further off than the next line.", "Give half the distance of the lines, or less.");
}

/// <summary>A scale: each part is poured to a weight.</summary>
/// <param name="StepG">Smallest step of its display in grams, 0.001 to 10.</param>
public sealed record ScaleDevice([property: Limits(0.001, 10, "g")] double StepG) : MeasuringDevice;

/// <summary>Two syringes, one for each part, read to half a graduation.</summary>
/// <param name="GraduationMl">Distance of its graduations in mL, 0.01 to 10.</param>
/// <param name="BarrelMl">What one draws at once in mL, 0.5 to 500.</param>
public sealed record SyringeDevice([property: Limits(0.01, 10, "mL")] double GraduationMl, [property: Limits(0.5, 500, "mL")] double BarrelMl) : MeasuringDevice;

/// <summary>A pair of pumps made for the resin: a stroke of each is in its ratio.</summary>
/// <param name="StrokeMl">What a stroke of the resin's pump gives in mL, 0.1 to 100.</param>
/// <param name="StrokeErrorPercent">How much strokes differ, as a standard deviation over their mean, 0.1 to 20.</param>
public sealed record PumpDevice([property: Limits(0.1, 100, "mL")] double StrokeMl, [property: Limits(0.1, 20, "%")] double StrokeErrorPercent) : MeasuringDevice;
