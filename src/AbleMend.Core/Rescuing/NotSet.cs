using AbleMend.Core.Timing;

namespace AbleMend.Core.Rescuing;

/// <summary>What was laid last and has not set though it was waited for.</summary>
/// <param name="Wait">The wait, at its label's own pace.</param>
/// <param name="RanMin">Minutes of the label that its clock has run, above 0.</param>
/// <param name="Pace">The pace that is known of its lot, 1 as its label says.</param>
public sealed record NotSet(StepWait Wait, double RanMin, double Pace);
