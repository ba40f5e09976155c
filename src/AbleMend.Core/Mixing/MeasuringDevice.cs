using System.Text.Json.Serialization;
using AbleMend.Core.Limits;

namespace AbleMend.Core.Mixing;

/// <summary>What the technician measures with.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(CupDevice), "cup")]
[JsonDerivedType(typeof(ScaleDevice), "scale")]
public abstract record MeasuringDevice;

/// <summary>A graduated cup: each part is poured to a line.</summary>
/// <param name="LineEveryMl">Distance of its lines in mL, 0.1 to 100.</param>
/// <param name="LineErrorMl">How far a pour to a line may be off, in mL, above 0 and at most the distance of the lines.</param>
/// <param name="HoldsMl">Volume of the cup in mL, 5 to 2000.</param>
public sealed record CupDevice([property: Limits(0.1, 100, "mL")] double LineEveryMl, [property: Limits(0.001, 100, "mL")] double LineErrorMl, [property: Limits(5, 2000, "mL")] double HoldsMl) : MeasuringDevice;

/// <summary>A scale: each part is poured to a weight.</summary>
/// <param name="StepG">Smallest step of its display in grams, 0.001 to 10.</param>
public sealed record ScaleDevice([property: Limits(0.001, 10, "g")] double StepG) : MeasuringDevice;
