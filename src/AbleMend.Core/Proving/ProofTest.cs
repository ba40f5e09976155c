namespace AbleMend.Core.Proving;

/// <summary>A test that could fail.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">What the hand does.</param>
/// <param name="Question">What decides.</param>
/// <param name="Measures">What is measured, or null for a test by touch.</param>
/// <param name="Unit">Unit of the measure.</param>
/// <param name="Limit">Largest measure that passes.</param>
public sealed record ProofTest(string Id, string Name, string Question, string? Measures, string? Unit, double? Limit)
{
    /// <value>All tests by identifier. Common practice; the limits are from memory.</value>
    public static IReadOnlyDictionary<string, ProofTest> All { get; } = new ProofTest[]
    {
        new("tap", "Tap round it with a coin", "Does it sound as clear over the patch as beside it, with no dull spot?", null, null, null),
        new("fingernail", "Draw a fingernail across the edge", "Does nothing catch?", null, null, null),
        new("fin-fit", "Set the fin and compare the cant", "How many degrees apart are the fin and its twin?", "Difference of cant", "°", 1.0),
        new("float", "Weigh, float, weigh", "How many grams did it gain in ten minutes under water, wiped dry?", "Gain in weight", "g", 5),
        new("thumb", "Lean a thumb on it", "Does it hold a hard thumb without a crack or a give?", null, null, null),
    }.ToDictionary(test => test.Id);

    /// <summary>Whether a result passes: within the limit where something is measured, else as the hand says.</summary>
    /// <param name="measured">Measured value, in <see cref="Unit"/>; null for a test by touch.</param>
    /// <param name="saidYes">What the hand says.</param>
    public bool Passes(double? measured, bool saidYes) =>
        Limit is { } limit ? measured is { } value && Math.Abs(value) <= limit : saidYes;
}
