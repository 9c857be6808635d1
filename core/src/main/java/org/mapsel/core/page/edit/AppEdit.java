package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;

/**
 * One change that a person makes to an app. Each is one step of undo. A new edit is a new file and
 * its name in the list here.
 */
public sealed interface AppEdit
    permits RefusePair,
        RenameApp,
        Together,
        AddPage,
        AddEmptyPage,
        RenameArgument,
        RemoveArgument,
        RenamePage,
        RemovePage,
        MovePage,
        AddCall,
        RemoveCall,
        CallOnOpening,
        MoveToEdition,
        UseField,
        ShowField,
        FillSlot,
        FillFromInput,
        SetOnlyHere,
        SetInputKind,
        MoveItem,
        RemoveItem,
        MovePart,
        RemovePart,
        AddText,
        AddButton,
        AddGroup,
        SetGroupWay,
        SetTotal,
        ChooseInside,
        SetFrame,
        SetManner,
        TurnInto,
        SetDrawing,
        SetOptions,
        ChooseFrom,
        CopyPage,
        AddReaction,
        RemoveReaction,
        SetTrigger,
        AddStep,
        SetAction,
        MoveStep,
        RemoveStep,
        PassArgument,
        AddPages,
        RenameType,
        SetModelField,
        PairTypes,
        PairFields,
        UnpairType,
        PutDerivedField,
        RemoveDerivedField,
        PutValueList,
        RemoveValueList,
        SetStartPage,
        FollowField,
        FollowOperation {

  /** What it does, for the list of revisions. */
  String title();

  /** The app after it. */
  App apply(Editing editing);
}
