using AbleMend.Core.Words;

namespace AbleMend.Core.Proving;

/// <summary>A test that could fail.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">What the hand does.</param>
/// <param name="Question">What decides.</param>
/// <param name="Measures">What is measured, or null for a test by touch.</param>
/// <param name="Unit">Unit of the measure.</param>
/// <param name="Limit">Largest measure that passes.</param>
/// <param name="HandsMin">Minutes that it takes, from memory.</param>
/// <param name="WholeItem">Whether it tests the item as a whole: with several damages it is done once, when all are mended.</param>
/// <param name="Tool">What it is done with; null for bare hands.</param>
public sealed record ProofTest(
    string Id, [property: Words] string Name, [property: Words] string Question, [property: Words] string? Measures, string? Unit, double? Limit, double HandsMin = 2, bool WholeItem = false, ProofTool? Tool = null)
{
    private const double LeastG = 1, MostG = 200_000, MostCant = 90;

    private static readonly TwoReadings Gain = new("Weight before", "Weight after, wiped dry", LeastG, MostG);

    /// <value>All tests by identifier. Common practice; the limits, and how long a test lasts, are from memory.</value>
    public static IReadOnlyDictionary<string, ProofTest> All { get; } = new ProofTest[]
    {
        new("tap", "Tap round it with a coin", "Does it sound as clear over the patch as beside it, with no dull spot?", null, null, null, Tool: new("A coin")),
        new("fingernail", "Draw a fingernail across the edge", "Smooth, with nothing catching?", null, null, null),
        new("fin-fit", "Set the fin and compare the cant", "How many degrees apart are the fin and its twin?", "Difference of cant", "°", 1.0, Tool: new("An angle gauge, or a template, and the twin", new("Cant of the twin", "Cant of this fin", -MostCant, MostCant))),
        new("float", "Weigh it, hold it under, weigh it", "How many grams did it gain with what was mended held under water for ten minutes, wiped dry?", "Gain in weight", "g", 5, 15, true, Tool: new("A scale that reads to a gram or two, and a tub", Gain, 10, "It is under water", "Take it out, wipe it dry, weigh it.")),
        new("soap", "Soap it again, under pressure", "At working pressure, no bubbles anywhere, at a patch or beside it?", null, null, null, 4, true, Tool: new("Soapy water, a soft brush, the gauge")),
        new("hold", "Hold the pressure", "How much of its air did it lose in an hour, once it had settled and corrected for temperature?", "Loss in an hour", "%", 2, WholeItem: true, Tool: new("The gauge, and a thermometer beside it")),
        new("edge", "Try the edge with a thumbnail", "Do all edges stay down, all the way round?", null, null, null),
        new("flex", "Bend it by hand ten times", "No cracking, whitening or lifting?", null, null, null),
        new("draw", "String it, draw it slowly ten times", "Guard and glasses on, damper back in its place: no crack, nothing lifting, the tune as it was?", null, null, null, 5, true, Tool: new("Guard, glasses, a string")),
        new("straightedge", "Lay a straightedge across", "How far does it stand proud or hollow?", "Proud or hollow", "mm", 0.1, Tool: new("A straightedge and feeler gauges")),
        new("swab", "Draw a cotton swab across, both ways", "Smooth, with no fibre catching?", null, null, null, Tool: new("A cotton swab")),
        new("slide", "Slide it through sleeve and ferrule", "Does it go together, and through the sleeve, as before?", null, null, null, WholeItem: true, Tool: new("What it slides into")),
        new("dunk", "Warm it, weigh it, dunk it cold, weigh it", "How many grams did it gain, wiped dry?", "Gain in weight", "g", 2, 20, true, Tool: new("A scale that reads to a gram, a warm place, a tub of cold water", Gain, 10, "It is in cold water", "Take it out, wipe it dry, weigh it.")),
        new("inside-wet", "Wet the inside, watch the outside", "Does the outside stay dry for ten minutes?", null, null, null, 12, true, Tool: new("Water, a dry cloth for the outside", ForMin: 10, Begins: "The inside is wet", Ends: "Look at the outside.")),
        new("alcohol", "Wipe the inside with alcohol again", "No dark spots?", null, null, null, Tool: new("Alcohol, a rag, gloves")),
        new("blow", "Blow it up, soap it", "With the leg tied off and blown up by mouth, no bubbles through soapy water?", null, null, null, 8, true, Tool: new("A cord to tie it off, soapy water")),
        new("dry-weight", "Weigh it again", "By how many grams do the last two daily weights differ?", "Difference", "g", 3, WholeItem: true, Tool: new("The scale of yesterday", new("Weight a day ago", "Weight today", LeastG, MostG, 18))),
        new("stand", "Stand on it", "Does it carry a person without a creak, a give or a new line?", null, null, null, WholeItem: true),
        new("walk", "Walk a hundred steps in it", "Does the bond line stay shut as it bends?", null, null, null, 3, true),
        new("thumb", "Lean a thumb on it", "Does it hold a hard thumb without a crack or a give?", null, null, null),
    }.ToDictionary(test => test.Id);

    /// <summary>Whether a result passes: within the limit where something is measured, else as the hand says.</summary>
    /// <param name="limit">Limit that the plan has worked out, or null for the test's own.</param>
    /// <param name="measured">Measured value, in <see cref="Unit"/>; null for a test by touch.</param>
    /// <param name="saidYes">What the hand says.</param>
    public bool Passes(double? measured, bool saidYes, double? limit = null) =>
        (limit ?? Limit) is { } most ? measured is { } value && Math.Abs(value) <= most : saidYes;
}
